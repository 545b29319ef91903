"""Standards: the tolerances a landing is measured against, with edition and source.

The built-in ones are quoted from memory of the published documents, and the interface says so.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, get_args

from annotated_types import Ge, Le

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import TAILWHEEL_ONLY, LandingKind, StandardCode
from bullseye.core.basis.quantity import Checked, Name, Real

Along = Annotated[Real, Ge(-2_000), Le(5_000)]


@dataclass(frozen=True, slots=True, kw_only=True)
class Tolerance(Checked):
    """Window of touchdown about the spot [ft], and of approach speed about the target [kt]."""

    touchdown_from_ft: Along
    touchdown_to_ft: Along
    speed_above_kt: Annotated[Real, Ge(0), Le(50)]
    speed_below_kt: Annotated[Real, Ge(0), Le(50)]

    def check_together(self) -> None:
        if self.touchdown_to_ft <= self.touchdown_from_ft:
            raise InvalidInput('touchdown_to_ft', self.touchdown_to_ft, f'above {self.touchdown_from_ft:g}')

    @property
    def centre_ft(self) -> float:
        """Middle of the window, from the spot: the best target [ft]."""
        return (self.touchdown_from_ft + self.touchdown_to_ft) / 2


@dataclass(frozen=True, slots=True, kw_only=True)
class Standard(Checked):
    """A set of tolerances by landing kind; None where the standard has no such task.

    A crosswind landing is judged as a normal one, as the published standards do. A soft-field, no-flap or slipped
    landing has no distance of its own in them: the normal one is taken [own].
    """

    name: Name
    edition: Name
    source: Name
    normal: Tolerance | None = None
    short_field: Tolerance | None = None
    power_off: Tolerance | None = None

    def examines(self, kind: LandingKind) -> bool:
        """Whether the standard has a tolerance for a landing kind."""
        return self._of(kind) is not None

    def _of(self, kind: LandingKind) -> Tolerance | None:
        if kind == 'short_field':
            return self.short_field
        if kind == 'power_off':
            return self.power_off
        return self.normal

    def tolerance(self, kind: LandingKind) -> Tolerance:
        """Tolerances of a landing kind.

        :raises InvalidInput: when the standard does not examine that kind
        """
        found = self._of(kind)
        if found is None:
            usual = [name for name in get_args(LandingKind) if name not in TAILWHEEL_ONLY]
            kinds = ', '.join(name for name in usual if self.examines(name))
            raise InvalidInput('landing', kind, f'{kinds} ({self.name} sets no tolerance for it)')
        return found


def _to(to_ft: float, *, above_kt: float, below_kt: float) -> Tolerance:
    return Tolerance(touchdown_from_ft=0, touchdown_to_ft=to_ft, speed_above_kt=above_kt, speed_below_kt=below_kt)


BUILT_IN: dict[StandardCode, Standard] = {
    'us_private': Standard(
        name='US private',
        edition='FAA-S-ACS-6',
        source='quoted from memory; check the current edition',
        normal=_to(400, above_kt=10, below_kt=5),
        short_field=_to(200, above_kt=10, below_kt=5),
    ),
    'us_commercial': Standard(
        name='US commercial',
        edition='FAA-S-ACS-7',
        source='quoted from memory; check the current edition',
        normal=_to(200, above_kt=5, below_kt=5),
        short_field=_to(100, above_kt=5, below_kt=5),
        power_off=_to(200, above_kt=5, below_kt=5),
    ),
}
