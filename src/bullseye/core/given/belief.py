"""What is believed of an aircraft and a pilot before a landing; :mod:`bullseye.core.learn` learns it from laps."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from annotated_types import Ge, Gt, Le

from bullseye.core.basis.quantity import Checked, Deceleration, Real

Spread = Annotated[Real, Ge(0), Le(3)]
Correlation = Annotated[Real, Ge(-1), Le(1)]


@dataclass(frozen=True, slots=True, kw_only=True)
class Calibration(Checked):
    """What is believed of an aircraft and a pilot; each None until something is known of it.

    The correlations say what is only known together: where nobody reads the speed, bias and habit are hardly told
    apart, and their sum is known all the same.
    """

    deceleration_fps2: Deceleration | None = None
    bias_ft: Annotated[Real, Ge(-2_000), Le(3_000)] | None = None
    scatter_ft: Annotated[Real, Gt(0), Le(2_000)] | None = None
    deceleration_sd_fps2: Annotated[Real, Ge(0)] | None = None
    bias_sd_ft: Annotated[Real, Ge(0)] | None = None
    deceleration_bias_corr: Correlation | None = None
    speed_habit_kt: Annotated[Real, Ge(-40), Le(40)] | None = None  # over the threshold, less the briefed speed
    speed_habit_sd_kt: Annotated[Real, Ge(0), Le(60)] | None = None
    speed_scatter_kt: Annotated[Real, Ge(0), Le(60)] | None = None
    scatter_spread: Spread | None = None  # standard deviation of the logarithm of the scatter
    speed_scatter_spread: Spread | None = None
    deceleration_habit_corr: Correlation | None = None
    bias_habit_corr: Correlation | None = None
    laps: Annotated[int, Ge(0)] = 0
    timed_laps: Annotated[int, Ge(0)] = 0
    pilots: Annotated[int, Ge(0)] = 0  # of the school, from whom it starts
    other_laps: Annotated[int, Ge(0)] = 0  # of this pilot in other landings, likewise
    speed_effect: Annotated[Real, Ge(0.5), Le(2)] | None = None  # of a knot on the touchdown, over the model's
    scatters_corr: Correlation | None = None  # of the logarithms of both scatters
    doubt_with_scatter: Annotated[Real, Ge(0), Le(1)] | None = None  # power with which the doubt of the mean goes
