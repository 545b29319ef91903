"""A runway end as it is landed on, and the paint that serves as a ruler."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Gt, Le
from pydantic import Field, StringConstraints

from bullseye.core.air.wind import magnetic_from_true_deg
from bullseye.core.basis.constants import FT_PER_M, STRIPE_FT, STRIPE_GAP_FT
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import PatternSide, Surface, Surroundings
from bullseye.core.basis.quantity import STORABLE, Checked, Degrees, Name, Real
from bullseye.core.basis.sentence import Phrasebook, Sentence

# Davenport's classes [pub: WMO-No. 8, part I chapter 5]: sea, open, roughly open, very rough, closed
ROUGHNESS_FT: dict[Surroundings, float] = {
    'water': 0.0002 * FT_PER_M,
    'open': 0.03 * FT_PER_M,
    'hedges': 0.1 * FT_PER_M,
    'trees': 0.5 * FT_PER_M,
    'buildings': 1.0 * FT_PER_M,
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Obstacle(Checked):
    """Something high under the approach, on the extended centreline."""

    height_ft: Annotated[Real, Gt(0), Le(2_000)]  # above the landing threshold
    before_threshold_ft: Annotated[Real, Ge(0), Le(20_000)]


@dataclass(frozen=True, slots=True, kw_only=True)
class DepartureObstacle(Checked):
    """Something high beyond the far end, on the extended centreline."""

    height_ft: Annotated[Real, Gt(0), Le(2_000)]  # above the far end
    beyond_end_ft: Annotated[Real, Ge(0), Le(20_000)]


@dataclass(frozen=True, slots=True, kw_only=True)
class RunwayExit(Checked):
    """A turn-off from the runway, by its distance from the landing threshold."""

    name: Annotated[str, StringConstraints(min_length=1, max_length=12), STORABLE]
    at_ft: Annotated[Real, Gt(0), Le(20_000)]


@dataclass(frozen=True, slots=True, kw_only=True)
class RunwayEnd(Checked):
    """One landing direction of a runway.

    Places along it are feet from the landing threshold, positive in the landing direction, so a displaced
    threshold is at 0 and the paved start lies at ``-displaced_threshold_ft``.
    """

    ident: Annotated[str, StringConstraints(min_length=1, max_length=4), STORABLE]
    course_deg_true: Degrees
    length_ft: Annotated[Real, Ge(300), Le(20_000)]  # end to end, the displaced part included
    width_ft: Annotated[Real, Ge(15), Le(400)]
    elevation_ft: Annotated[Real, Ge(-1_500), Le(15_000)]
    displaced_threshold_ft: Annotated[Real, Ge(0), Le(10_000)] = 0.0
    slope_pct: Annotated[Real, Ge(-15), Le(15)] = 0.0  # positive uphill in the landing direction
    surface: Surface = 'asphalt'
    path_angle_deg: Annotated[Real, Ge(2), Le(7)] = 3.0
    magnetic_variation_deg: Annotated[Real, Ge(-180), Le(180)] = 0.0  # positive east
    obstacle: Obstacle | None = None
    aiming_marks_ft: Annotated[Real, Gt(0), Le(5_000)] | None = None  # None where none are painted
    departure_obstacle: DepartureObstacle | None = None
    pattern_side: PatternSide = 'left'
    pattern_spacing_nm: Annotated[Real, Ge(0.2), Le(3)] | None = None  # of the downwind, where the field has its own
    base_angle_deg: Annotated[Real, Ge(30), Le(90)] = 90.0  # of base to final; less where terrain or noise bends it
    downwind_extension_s: Annotated[Real, Ge(0), Le(600)] = 0.0  # flown on by everybody, for terrain or noise
    preferred: bool = False
    exits: Annotated[tuple[RunwayExit, ...], Field(max_length=20)] = ()
    surroundings: Surroundings = 'open'  # by which the wind is less near the ground than reported

    def check_together(self) -> None:
        if self.displaced_threshold_ft >= self.length_ft:
            raise InvalidInput(
                'displaced_threshold_ft', self.displaced_threshold_ft, f'less than the length, {self.length_ft:g}'
            )

    @property
    def roughness_ft(self) -> float:
        """Roughness length of the surroundings [ft]. Source: [pub: classes after Davenport, in WMO-No. 8]."""
        return ROUGHNESS_FT[self.surroundings]

    @property
    def course_deg_mag(self) -> float:
        """Magnetic course of the landing direction."""
        return magnetic_from_true_deg(true_deg=self.course_deg_true, variation_deg=self.magnetic_variation_deg)

    @property
    def landing_distance_available_ft(self) -> float:
        """From the landing threshold to the far end [ft]."""
        return self.length_ft - self.displaced_threshold_ft

    @property
    def has_paint(self) -> bool:
        """Whether it has a painted centreline."""
        return self.surface in ('asphalt', 'concrete')


MarkUse = Literal['downwind', 'base', 'final', 'go_around', 'other']


@dataclass(frozen=True, slots=True, kw_only=True)
class GroundMark(Checked):
    """Something on the ground that an instructor points at: "clearing in the wood"."""

    name: Name
    latitude_deg: Annotated[Real, Ge(-90), Le(90)]
    longitude_deg: Annotated[Real, Ge(-180), Le(180)]
    use: MarkUse = 'other'


@dataclass(frozen=True, slots=True, kw_only=True)
class Airfield(Checked):
    """A field with the runway ends that may be used."""

    ident: Annotated[str, StringConstraints(min_length=1, max_length=8), STORABLE]
    latitude_deg: Annotated[Real, Ge(-90), Le(90)]
    longitude_deg: Annotated[Real, Ge(-180), Le(180)]
    ends: Annotated[tuple[RunwayEnd, ...], Field(min_length=1, max_length=24)]
    pattern_altitude_ft: Annotated[Real, Ge(-1_000), Le(20_000)] | None = None  # above sea level; None: 1,000 ft up
    name: Name | None = None

    def check_together(self) -> None:
        idents = [end.ident for end in self.ends]
        if len(set(idents)) != len(idents):
            raise InvalidInput('ends', idents, 'each ident once')

    def end(self, ident: str) -> RunwayEnd:
        """The end of this ident.

        :raises InvalidInput: when there is none
        """
        for end in self.ends:
            if end.ident == ident:
                return end
        raise InvalidInput('runway', ident, ', '.join(end.ident for end in self.ends))


_PAINT = Phrasebook('paint')


def stripe_before_aim(distance_ft: float) -> Sentence:
    """Name the piece of centreline that lies this far before the aim point, counted back from it.

    A stripe is 120 ft and a gap 80 ft [pub: FAA AC 150/5340-1]; the last stripe is taken to end at the aim point.
    """
    if distance_ft <= 0:
        return _PAINT.say('aim')
    cycles, into_ft = divmod(distance_ft, STRIPE_FT + STRIPE_GAP_FT)
    number, is_stripe = int(cycles) + 1, into_ft <= STRIPE_FT
    if number == 1:
        return _PAINT.say('last_stripe' if is_stripe else 'last_gap')
    spoken = _PAINT.say(f'count_{number}') if number <= _SPOKEN else str(number)
    return _PAINT.say('stripe' if is_stripe else 'gap', number=spoken)


_SPOKEN = 6  # [own] a larger number is written in figures


def in_stripes(distance_ft: float) -> Sentence:
    """Say a distance in runway paint: one stripe with its gap is 200 ft."""
    quarters = round(abs(distance_ft) / (STRIPE_FT + STRIPE_GAP_FT) * 4)
    if quarters == 0:
        return _PAINT.say('less')
    whole, part = divmod(quarters, 4)
    amount = f'{whole or ""}{("", "¼", "½", "¾")[part]}'
    return _PAINT.say('one' if quarters <= 4 else 'more', amount=amount)


def usual_spot_ft(runway: RunwayEnd) -> float:
    """500 ft in, on a short runway a third of it, in tens [own]."""
    return float(min(500.0, round(runway.landing_distance_available_ft / 3, -1)))
