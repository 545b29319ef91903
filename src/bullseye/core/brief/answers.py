"""Answers handed along for where there is no network: a table of the model's results, fine enough to be read between.

The computation stays here; a device without a server only interpolates. What lies between the values stays within 10 ft
of the real thing (tests compare them over random cases), and the server's own result takes its place later.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, fields, replace
from statistics import NormalDist

import numpy as np
from numpy.typing import NDArray

from bullseye.core.air.wind import Components
from bullseye.core.basis.constants import AIM_STEP_FT, BIAS_SD_FT, LEAST_STALL_MARGIN
from bullseye.core.basis.sentence import Caution
from bullseye.core.brief.aiming import pilot_forecast, winds_met_ft
from bullseye.core.brief.ground import (
    GoAroundBy,
    go_around_climb_fpm,
    ground_roll,
    last_climb_point_ft,
    part_point,
)
from bullseye.core.brief.landing import BriefAnswer, make_brief
from bullseye.core.brief.request import BriefRequest
from bullseye.core.brief.setup import LandingSetup, is_glide, landing_setup, path_angle_deg
from bullseye.core.model.distances import GroundRoll
from bullseye.core.model.forecast import PilotForecast, even_normal, simulate_pilot_ft
from bullseye.core.model.touchdown import Approach, predict, touchdown_from_aim_ft

# [own]
_SPEED_BELOW_KT, _SPEED_ABOVE_KT, _SPEED_STEP_KT = 10, 20, 2
_HEADWINDS_KT = tuple(float(kt) for kt in range(-21, 43, 3))
_SHIFTS_FT = tuple(float(ft) for ft in range(-600, 601, 30))
_SCATTERS_FT = (20.0, 40.0, 60.0, 80.0, 100.0, 125.0, 150.0, 200.0, 250.0, 300.0, 400.0)
_MOST_LAPS = 30
_GUST_SPREADS_KT = (0.0, 5.0, 10.0, 15.0, 20.0)
_APPROACH = tuple(one.name for one in fields(Approach))

Grid = tuple[tuple[float, ...], ...]
Cells = tuple[tuple[float | None, ...], ...]
_BREEZE_KT = 5.0  # [own] in which no limit of wind is near


@dataclass(frozen=True, slots=True, kw_only=True)
class InWind:
    """What follows the wind as it is read now. Rows are steps of the gust spread, columns the headwinds of the table.

    None is unknown, or in another wind than briefed not worked out.
    """

    winds_ft: float  # of the grid of touchdowns: by how much the winds briefed move their mean off the steady one
    winds_sd_ft: float  # and by how much they scatter them
    gust_spread_kt: tuple[float, ...]
    approach_speed_kias: tuple[float, ...]  # by step of the gust
    before_spot_ft: tuple[float, ...] | None  # of a rule of thumb, by headwind; None: the aim is worked out
    roll_point_ft: Cells
    climb_point_ft: Cells
    stop_roll_ft: Cells  # of the margin, by the technique's set of corrections
    over_50_ft: Cells  # likewise, from 50 ft over the threshold
    part_point_ft: float
    part_point_by: GoAroundBy
    set_point_ft: float | None  # where the instructor says to go around by
    available_ft: float
    is_good_in_a_breeze: (
        bool  # whether an aim is good here in 5 kt along the runway: nothing but the wind may forbid it
    )
    cautions: tuple[Caution, ...]  # in that breeze: what is to be minded beside the wind


@dataclass(frozen=True, slots=True, kw_only=True)
class AnswerTable:
    """What to answer for any speed, headwind, aim and scatter of one sortie.

    ``touchdown_minus_aim_ft[i][j]`` belongs to ``speed_kias[i]`` and ``headwind_kt[j]``, without the pilot's bias: the
    mean over the gusts briefed.
    ``hit_chance[i][j]`` belongs to ``scatter_ft[i]`` and ``shift_ft[j]``, the predicted touchdown less
    the target. ``bias_share[n - 1]`` is how much of the mean residual of n laps is taken to be a lasting bias.
    """

    speed_kias: tuple[float, ...]
    headwind_kt: tuple[float, ...]
    touchdown_minus_aim_ft: Grid
    scatter_ft: tuple[float, ...]
    shift_ft: tuple[float, ...]
    hit_chance: Grid
    bias_share: tuple[float, ...]
    briefed_speed_kias: float
    briefed_headwind_kt: float
    wind_is_known: bool  # False: nobody has given it, and the briefed one is a calm
    briefed_aim_ft: float
    spot_ft: float
    target_minus_spot_ft: float
    box_minus_spot_ft: tuple[float, float]
    bias_ft: float
    pilot_scatter_ft: float
    habit_ft: float  # how much farther the speed flown lately lands than the briefed one
    forecast_sd_ft: float  # of a touchdown as flown lately, beside what the winds do
    forecast_if_briefed_sd_ft: float
    aim_step_ft: float
    in_wind: InWind


def make_answers(
    request: BriefRequest, *, aim_step_ft: float = AIM_STEP_FT, brief: BriefAnswer | None = None
) -> AnswerTable:
    """Work out the table of one sortie's request.

    The share of a mean residual of n laps that counts as bias is sd²/(sd² + s²/n): the posterior mean of a normal bias
    of standard deviation sd seen through scatter s. Source: the conjugate normal model of Bayesian textbooks.

    :param brief: of the request, where it was worked out already
    """
    setup, brief = landing_setup(request), brief or make_brief(request)
    aircraft, flap = request.aircraft, setup.flap
    stall_kcas = aircraft.stall_kcas(flap=flap, weight_lb=request.weight_lb)
    least_kias = flap.airspeed_table.indicated_kt(stall_kcas * LEAST_STALL_MARGIN) + 0.01
    lowest = max(brief.speed.approach_speed_kias - _SPEED_BELOW_KT, least_kias)
    speeds = tuple(
        float(kias) for kias in np.arange(lowest, brief.speed.approach_speed_kias + _SPEED_ABOVE_KT + 1, _SPEED_STEP_KT)
    )
    approaches = [landing_setup(replace(request, approach_speed_kias=kias)).approach for kias in speeds]
    heads = np.array(_HEADWINDS_KT)

    # gusts and a wind from no known direction move the mean of the touchdowns off that of the steady wind
    winds_ft = winds_met_ft(setup)
    gusts_ft = float(winds_ft.mean()) - predict(setup.approach).touchdown_ft
    given = {name: np.array([[getattr(one, name)] for one in approaches], float) for name in _APPROACH}
    if is_glide(request):  # a glide is fixed to the air: its path over the ground follows the wind
        given['path_angle_deg'] = np.array(
            [
                [path_angle_deg(request, speed_ktas=one.speed_ktas, headwind_kt=kt) for kt in _HEADWINDS_KT]
                for one in approaches
            ]
        )
    touch = gusts_ft + touchdown_from_aim_ft(**{**given, 'headwind_kt': heads})
    target_ft = brief.aim.target_ft
    chances = _chances(winds_ft, box_ft=(brief.aim.box_ft[0] - target_ft, brief.aim.box_ft[1] - target_ft))
    known = request.calibration
    bias_sd = known.bias_sd_ft if known.bias_sd_ft else BIAS_SD_FT
    scatter = brief.basis.scatter_ft
    pilot = pilot_forecast(request, setup, brief.basis)
    width_ft = brief.aim.box_ft[1] - brief.aim.box_ft[0]
    return AnswerTable(
        speed_kias=speeds,
        headwind_kt=_HEADWINDS_KT,
        touchdown_minus_aim_ft=_grid(touch),
        scatter_ft=_SCATTERS_FT,
        shift_ft=_SHIFTS_FT,
        hit_chance=chances,
        bias_share=tuple(bias_sd**2 / (bias_sd**2 + scatter**2 / n) for n in range(1, _MOST_LAPS + 1)),
        briefed_speed_kias=brief.speed.approach_speed_kias,
        briefed_headwind_kt=setup.approach.headwind_kt,
        wind_is_known=request.weather.is_known,
        briefed_aim_ft=brief.aim.aim_point_ft,
        spot_ft=brief.aim.spot_ft,
        target_minus_spot_ft=brief.aim.target_ft - brief.aim.spot_ft,
        box_minus_spot_ft=(brief.aim.box_ft[0] - brief.aim.spot_ft, brief.aim.box_ft[1] - brief.aim.spot_ft),
        bias_ft=brief.basis.bias_ft,
        pilot_scatter_ft=scatter,
        habit_ft=brief.touchdown.predicted_lately_ft - brief.touchdown.predicted_touchdown_ft,
        forecast_sd_ft=_sd_ft(setup, pilot, flies_briefed_speed=False, width_ft=width_ft),
        forecast_if_briefed_sd_ft=_sd_ft(setup, pilot, flies_briefed_speed=True, width_ft=width_ft),
        aim_step_ft=aim_step_ft,
        in_wind=_in_wind(
            request, setup, winds_ft=gusts_ft, winds_sd_ft=float(winds_ft.std()), box_to_ft=brief.aim.box_ft[1]
        ),
    )


def _in_wind(
    request: BriefRequest, setup: LandingSetup, *, winds_ft: float, winds_sd_ft: float, box_to_ft: float
) -> InWind:
    """What follows another wind: speed, the places that roll and climb leave, and the limits."""
    setups = [landing_setup(_along(request, 0.0, spread_kt)) for spread_kt in _GUST_SPREADS_KT]
    climb_fpm, technique = go_around_climb_fpm(request, setup), request.technique
    rolls = {
        one.touchdown_kcas: [ground_roll(request, replace(one, assumed_wind=_steady(kt)))[0] for kt in _HEADWINDS_KT]
        for one in {one.touchdown_kcas: one for one in setups}.values()
    }
    must_clear = request.runway.departure_obstacle is not None
    climbs: list[list[float | None]] = [
        [last_climb_point_ft(request, replace(one, assumed_wind=_steady(kt)), climb_fpm) for kt in _HEADWINDS_KT]
        if must_clear
        else [None] * len(_HEADWINDS_KT)
        for one in setups
    ]
    available_ft, set_roll_ft = request.runway.landing_distance_available_ft, request.overrule('landing_roll_ft')

    def by_gust(figure: Callable[[GroundRoll], float | None]) -> Cells:
        rows = [rolls[one.touchdown_kcas] for one in setups]
        return tuple(tuple(None if one is None else figure(one) for one in row) for row in rows)

    def needed_ft(roll_ft: float) -> float:
        return roll_ft if set_roll_ft is None else set_roll_ft

    part_ft, part_by = part_point(request, box_to_ft)
    thumbs = [technique.aim_before_spot_ft(headwind_kt=kt) for kt in _HEADWINDS_KT]
    thumbs_ft = tuple(one for one in thumbs if one is not None)
    breeze = make_brief(_along(request, _BREEZE_KT, 0.0), is_tried=True)
    return InWind(
        winds_ft=winds_ft,
        winds_sd_ft=winds_sd_ft,
        gust_spread_kt=_GUST_SPREADS_KT,
        approach_speed_kias=tuple(one.speed_kias for one in setups),
        before_spot_ft=thumbs_ft if len(thumbs_ft) == len(thumbs) else None,
        roll_point_ft=by_gust(lambda roll: available_ft - needed_ft(roll.factored_ft)),
        climb_point_ft=tuple(tuple(row) for row in climbs),
        stop_roll_ft=by_gust(lambda roll: needed_ft(roll.by(technique.correction_set).ground_roll_ft)),
        over_50_ft=by_gust(lambda roll: roll.by(technique.correction_set).over_50_ft_ft),
        part_point_ft=part_ft,
        part_point_by=part_by,
        set_point_ft=request.overrule('go_around_point_ft'),
        available_ft=available_ft,
        is_good_in_a_breeze=breeze.aim.aim_is_good,
        cautions=breeze.cautions,
    )


def _along(request: BriefRequest, speed_kt: float, spread_kt: float) -> BriefRequest:
    """The same in a wind along the runway."""
    weather = replace(
        request.weather,
        wind_kt=speed_kt,
        gust_kt=speed_kt + spread_kt if spread_kt else None,
        wind_dir_deg_true=request.runway.course_deg_true,
        wind_dir_deg_mag=None,
        wind_range_from_deg_true=None,
        wind_range_to_deg_true=None,
    )
    return replace(request, weather=weather)


def _steady(head_kt: float) -> Components:
    return Components(head_kt=head_kt, cross_kt=0.0, gust_head_kt=head_kt, gust_cross_kt=0.0, least_head_kt=head_kt)


def _sd_ft(setup: LandingSetup, pilot: PilotForecast, *, flies_briefed_speed: bool, width_ft: float) -> float:
    """Standard deviation of the normal touchdowns in the steady wind that hit a box as often as this pilot's [ft].

    What is believed of a pilot has wider tails than a normal one of the same standard deviation: the device, which
    reads chances by a scatter, takes the one that gives the very chance where the box is in the middle.
    """
    landed_ft = simulate_pilot_ft(setup.approach, pilot=pilot, flies_briefed_speed=flies_briefed_speed)
    inside = float(np.mean(np.abs(landed_ft - np.median(landed_ft)) <= width_ft / 2))
    if not 0 < inside < 1:
        return float(landed_ft.std())
    return width_ft / 2 / NormalDist().inv_cdf((1 + inside) / 2)


def _grid(values: np.ndarray[tuple[int, ...], np.dtype[np.float64]]) -> Grid:
    return tuple(tuple(round(float(value), 2) for value in row) for row in values)


def _chances(winds_ft: NDArray[np.float64], *, box_ft: tuple[float, float]) -> Grid:
    """Chances to hit, by the scatter and by how far the mean touchdown lies off the target."""
    off_ft = winds_ft - winds_ft.mean()
    normal = even_normal(off_ft.size)
    shifts = np.array(_SHIFTS_FT)
    found = []
    for scatter in _SCATTERS_FT:
        landed_ft = np.sort(off_ft + scatter * normal)
        # how many lie within the box moved back by each shift, its edges included
        below = np.searchsorted(landed_ft, box_ft[0] - shifts, side='left')
        up_to = np.searchsorted(landed_ft, box_ft[1] - shifts, side='right')
        found.append(tuple(round(float(share), 4) for share in (up_to - below) / landed_ft.size))
    return tuple(found)
