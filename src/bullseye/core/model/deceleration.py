"""How fast an aircraft slows in the hold-off before any lap has shown it: tied to how steeply it glides."""

from __future__ import annotations

import math

from bullseye.core.basis.constants import (
    DECELERATION_FPS2,
    FPS_PER_KT,
    GRAVITY_FPS2,
    HIGH_WING_IN_GROUND_EFFECT,
    HOLD_OFF_HEIGHT_FT,
    LOW_WING_IN_GROUND_EFFECT,
    SEA_LEVEL_DENSITY_SLUG_FT3,
    SPAN_EFFICIENCY,
)
from bullseye.core.basis.unknown import known_or
from bullseye.core.given.aircraft import Aircraft, FlapSetting

_LEAST_FPS2, _MOST_FPS2 = 0.8, 11.0  # [own] what the fit allows


def ground_effect_factor(*, wing_height_ft: float, span_ft: float) -> float:
    """Share of the induced drag that is left near the ground: (16 h/b)²/(1 + (16 h/b)²).

    Source: [pub: McCormick, Aerodynamics, Aeronautics and Flight Mechanics, value from memory].
    """
    ratio = (16 * wing_height_ft / span_ft) ** 2
    return ratio / (1 + ratio)


def _by_glide_fps2(aircraft: Aircraft, flap: FlapSetting, weight_lb: float) -> float | None:
    """Deceleration in level flight that the glide of a flap setting tells [ft/s²]; None where no glide is known."""
    if flap.idle_path_angle_deg is None:
        return None
    in_the_open = GRAVITY_FPS2 * math.sin(math.radians(flap.idle_path_angle_deg))
    if aircraft.span_ft is None:
        share = HIGH_WING_IN_GROUND_EFFECT if aircraft.wing == 'high' else LOW_WING_IN_GROUND_EFFECT
        return in_the_open * share
    kias = known_or(aircraft.best_glide_kias, known_or(flap.normal_approach_kias, flap.rule_approach_kias))
    glide_fps = flap.airspeed_table.calibrated_kt(kias) * math.sqrt(aircraft.weight_ratio(weight_lb)) * FPS_PER_KT
    q_psf = SEA_LEVEL_DENSITY_SLUG_FT3 * glide_fps**2 / 2  # calibrated airspeed carries the density
    left = ground_effect_factor(
        wing_height_ft=aircraft.wing_over_wheels_ft + HOLD_OFF_HEIGHT_FT, span_ft=aircraft.span_ft
    )
    induced = weight_lb / (q_psf * math.pi * aircraft.span_ft**2 * SPAN_EFFICIENCY)
    return in_the_open - GRAVITY_FPS2 * (1 - left) * induced


def prior_fps2(aircraft: Aircraft, flap: FlapSetting, *, weight_lb: float) -> float:
    """Deceleration in the hold-off at idle, before laps are known [ft/s²].

    What the handbook or the school says of full flap, in the ratio of the glides for another setting; else by the glide
    of that setting, less what ground effect takes; else a usual figure. Source: [own]; see docs/model.md, "Hold-off".
    """
    by_glide = _by_glide_fps2(aircraft, flap, weight_lb)
    said = aircraft.deceleration_fps2
    if said is not None:
        full = aircraft.flaps[-1]
        ratio = aircraft.idle_path_angle_deg(flap) / aircraft.idle_path_angle_deg(full)
        found = said * (1.0 if flap is full else ratio)
    else:
        found = DECELERATION_FPS2 if by_glide is None else by_glide
    return min(max(found, _LEAST_FPS2), _MOST_FPS2)
