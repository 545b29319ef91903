"""Standards: the tolerances a lap is measured against, task by task, with edition and source.

The built-in ones are quoted from memory of the published documents, and the interface says so. A cell that is not
known is None: nothing is judged by it, and nothing takes its place.
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import Annotated, get_args

from annotated_types import Ge, Gt, Le

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import TAILWHEEL_ONLY, LandingKind, StandardCode
from bullseye.core.basis.quantity import Checked, Name, Real

Along = Annotated[Real, Ge(-2_000), Le(5_000)]
Knots = Annotated[Real, Ge(0), Le(50)]
Weight = Annotated[Real, Ge(0), Le(100)]


@dataclass(frozen=True, slots=True, kw_only=True)
class SpeedLimits(Checked):
    """How far a speed may be off the target [kt]; None where the standard's figure is not known."""

    speed_above_kt: Knots | None = None
    speed_below_kt: Knots | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class PatternLimits(SpeedLimits):
    """How far the pattern may be off its altitude [ft] and its speeds [kt]; None where not known."""

    altitude_ft: Annotated[Real, Gt(0), Le(1_000)] | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Tolerance(SpeedLimits):
    """Window of touchdown about the spot [ft], and of approach speed about the target [kt]; None where not known.

    Some standards give the window as a first part of the runway instead: ``within_share`` of the landing distance.
    """

    touchdown_from_ft: Along | None = None
    touchdown_to_ft: Along | None = None
    within_share: Annotated[Real, Gt(0), Le(1)] | None = None

    def check_together(self) -> None:
        low_ft, high_ft = self.touchdown_from_ft, self.touchdown_to_ft
        if low_ft is not None and high_ft is not None and high_ft <= low_ft:
            raise InvalidInput('touchdown_to_ft', high_ft, f'above {low_ft:g}')
        if (low_ft is None) != (high_ft is None):
            raise InvalidInput('touchdown_to_ft', high_ft, 'both ends of the window, or neither')
        if low_ft is not None and self.within_share is not None:
            raise InvalidInput(
                'within_share', self.within_share, 'a window about the spot or a part of the runway, not both'
            )

    @property
    def has_window(self) -> bool:
        """Whether it is known where the wheels should touch."""
        return self.touchdown_from_ft is not None or self.within_share is not None

    def on(self, *, spot_ft: float, available_ft: float) -> Tolerance:
        """The window in feet from a spot, on a runway of which so much is available for landing."""
        if self.within_share is None:
            return self
        to_ft = self.within_share * available_ft - spot_ft
        return replace(self, touchdown_from_ft=-spot_ft, touchdown_to_ft=to_ft, within_share=None)

    @property
    def window_ft(self) -> tuple[float, float]:
        """The window of a tolerance that has one, from the spot [ft].

        :raises ValueError: when it is not known, or was not worked out for a runway
        """
        if self.touchdown_from_ft is None or self.touchdown_to_ft is None:
            raise ValueError('the window of this tolerance is not known')
        return self.touchdown_from_ft, self.touchdown_to_ft

    @property
    def centre_ft(self) -> float:
        """Middle of the window, from the spot: the best target [ft]."""
        low_ft, high_ft = self.window_ft
        return (low_ft + high_ft) / 2


@dataclass(frozen=True, slots=True, kw_only=True)
class Weights(Checked):
    """Points of each criterion; a school that weighs them otherwise changes a copy of its standard [own]."""

    accuracy: Weight = 40.0
    speed: Weight = 20.0
    float: Weight = 15.0
    drift: Weight = 10.0
    centreline: Weight = 10.0
    arrival: Weight = 5.0
    takeoff: Weight = 25.0
    pattern: Weight = 25.0
    final: Weight = 30.0
    decision: Weight = 20.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Standard(Checked):
    """A set of tolerances by task; None where the standard has no such task.

    A crosswind landing is judged as a normal one, as the published standards do. A no-flap or slipped landing has no
    distance of its own in them, nor has a soft-field one in most: the normal one is taken [own].
    """

    name: Name
    edition: Name
    source: Name
    normal: Tolerance | None = None
    short_field: Tolerance | None = None
    power_off: Tolerance | None = None
    soft_field: Tolerance | None = None
    climb: SpeedLimits | None = None
    pattern: PatternLimits | None = None
    weights: Weights = field(default_factory=Weights)

    def examines(self, kind: LandingKind) -> bool:
        """Whether the standard has a task of a landing kind."""
        return self._of(kind) is not None

    def can_plan(self, kind: LandingKind) -> bool:
        """Whether it is known where the wheels should touch in a landing of a kind, so that it can be aimed for."""
        found = self._of(kind)
        return found is not None and found.has_window

    def _of(self, kind: LandingKind) -> Tolerance | None:
        if kind == 'short_field':
            return self.short_field
        if kind == 'power_off':
            return self.power_off
        if kind == 'soft_field' and self.soft_field is not None:
            return self.soft_field
        return self.normal

    def tolerance(self, kind: LandingKind) -> Tolerance:
        """Tolerances of a landing kind, which may hold what is not known.

        :raises InvalidInput: when the standard does not examine that kind
        """
        found = self._of(kind)
        if found is None:
            raise InvalidInput('landing', kind, f'{self._kinds(planned=False)} ({self.name} sets no tolerance for it)')
        return found

    def planned(self, kind: LandingKind, *, spot_ft: float, available_ft: float) -> Tolerance:
        """Tolerances of a landing kind for one spot on one runway, of which the window is known.

        :raises InvalidInput: when the standard does not examine that kind, or its window is not known
        """
        found = self.tolerance(kind)
        if not found.has_window:
            raise InvalidInput(
                'landing',
                kind,
                f'{self._kinds(planned=True) or "none"} (where {self.name} wants the wheels is not known here: '
                'complete a copy of it, or plan by another standard and read this one beside it)',
            )
        return found.on(spot_ft=spot_ft, available_ft=available_ft)

    def _kinds(self, *, planned: bool) -> str:
        usual = [name for name in get_args(LandingKind) if name not in TAILWHEEL_ONLY]
        return ', '.join(name for name in usual if (self.can_plan(name) if planned else self.examines(name)))


def _to(to_ft: float, *, above_kt: float, below_kt: float) -> Tolerance:
    return Tolerance(touchdown_from_ft=0, touchdown_to_ft=to_ft, speed_above_kt=above_kt, speed_below_kt=below_kt)


_FROM_MEMORY = 'quoted from memory; check the current edition'
_OPEN = 'quoted from memory; what is not known is left open'
# Windows are not known; speeds [pub: Part-FCL, AMC on skill tests, value from memory]
_FIFTEEN_FIVE = Tolerance(speed_above_kt=15, speed_below_kt=5)
_FIVE = Tolerance(speed_above_kt=5, speed_below_kt=5)  # [pub: the same]
_UNKNOWN = Tolerance()
_NO_FIGURES: tuple[tuple[StandardCode, str, str, Tolerance | None], ...] = (
    ('us_sport', 'US sport', 'FAA-S-8081-29', None),
    ('us_recreational', 'US recreational', 'FAA-S-8081-3', None),
    ('us_instructor', 'US instructor', 'FAA-S-ACS-25', _UNKNOWN),
)

# Each figure: [pub: the edition named, value from memory]
BUILT_IN: dict[StandardCode, Standard] = {
    'us_private': Standard(
        name='US private',
        edition='FAA-S-ACS-6',
        source=_FROM_MEMORY,
        normal=_to(400, above_kt=10, below_kt=5),
        short_field=_to(200, above_kt=10, below_kt=5),
        climb=SpeedLimits(speed_above_kt=10, speed_below_kt=5),
        pattern=PatternLimits(altitude_ft=100, speed_above_kt=10, speed_below_kt=10),
    ),
    'us_commercial': Standard(
        name='US commercial',
        edition='FAA-S-ACS-7',
        source=_FROM_MEMORY,
        normal=_to(200, above_kt=5, below_kt=5),
        short_field=_to(100, above_kt=5, below_kt=5),
        power_off=_to(200, above_kt=5, below_kt=5),
        climb=SpeedLimits(speed_above_kt=5, speed_below_kt=5),
        pattern=PatternLimits(altitude_ft=100, speed_above_kt=10, speed_below_kt=10),
    ),
    'eu_ppl': Standard(
        name='EASA PPL',
        edition='Part-FCL, skill test',
        source=_OPEN,
        normal=_FIFTEEN_FIVE,
        short_field=_FIFTEEN_FIVE,
        power_off=_FIFTEEN_FIVE,
        climb=SpeedLimits(speed_above_kt=15, speed_below_kt=5),
        pattern=PatternLimits(altitude_ft=150),
    ),
    'eu_cpl': Standard(
        name='EASA CPL',
        edition='Part-FCL, skill test',
        source=_OPEN,
        normal=_FIVE,
        short_field=_FIVE,
        power_off=_FIVE,
        climb=SpeedLimits(speed_above_kt=5, speed_below_kt=5),
        pattern=PatternLimits(altitude_ft=100),
    ),
    'uk_ppl': Standard(
        name='UK PPL',
        edition='UK Part-FCL, skill test',
        source=_OPEN,
        normal=_FIFTEEN_FIVE,
        short_field=_FIFTEEN_FIVE,
        power_off=_FIFTEEN_FIVE,
        climb=SpeedLimits(speed_above_kt=15, speed_below_kt=5),
        pattern=PatternLimits(altitude_ft=150),
    ),
    'ca_ppl': Standard(
        name='Canada PPL',
        edition='Flight test guide, private pilot',
        source='landings as commonly flown, from memory; what is not known is left open',
        normal=_UNKNOWN,
        short_field=Tolerance(touchdown_from_ft=0, touchdown_to_ft=200),
        soft_field=Tolerance(within_share=1 / 3),
        power_off=_UNKNOWN,
        climb=SpeedLimits(),
        pattern=PatternLimits(),
    ),
    **{
        code: Standard(
            name=name,
            edition=edition,
            source='from memory no figure is known: complete a copy from the current edition',
            normal=_UNKNOWN,
            short_field=_UNKNOWN,
            soft_field=_UNKNOWN,
            power_off=power_off,
            climb=SpeedLimits(),
            pattern=PatternLimits(),
        )
        for code, name, edition, power_off in _NO_FIGURES
    },
}
