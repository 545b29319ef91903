"""One landing in detail: the moment of touch, and what final, roundout, hold-off and rollout were like."""

from __future__ import annotations

import math
from dataclasses import replace
from typing import Any

import numpy as np

from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.core.basis.unknown import known_or
from bullseye.tracks.contact import Contact, find_contact
from bullseye.tracks.contactmodels import Noise, Prior, Samples
from bullseye.tracks.events import Event, EventKind, FinalFlown, HoldOffFlown, Then
from bullseye.tracks.fields import Runway
from bullseye.tracks.gates import Window, crossing, path_flown
from bullseye.tracks.grounded import wheels_down
from bullseye.tracks.motion import Motion
from bullseye.tracks.passes import Judged
from bullseye.tracks.speeds import SILENT_S
from bullseye.tracks.track import Floats

# [own], tuned on simulated flights that bench/tracks.py does not use
_LOW_FT = 30.0  # the roundout begins lower than this
_TOUCHDOWN_SHARE, _TOUCHDOWN_SD_SHARE = 0.79, 0.09  # of the groundspeed on final [own]
_NOSE_FALLS_DEG = 3.0
_SLOWEST_SHARE = 0.5
_FAR_APART_S = 2.5
_BEFORE_S, _FIXES_BEFORE, _FEWEST_FIXES = 14.0, 3, 5
_TOLD_LATE_S = 1.0  # by which a recorder may be late to say so
_NOSE_TELLS = 0.85  # where attitude was recorded the moment is better known than the model of speeds says
_TOLD_WIDER = 1.28  # what is heard of aeroplanes on the ground is in whole knots, and late
_OF_THE_GAP = 0.4  # of a gap, which the stated interval covers either way
_OF_A_LONG_STEP = 0.27  # of the time between fixes that are always so far apart
_USUAL_STEPS = 1.5
_LONG_STEPS_S, _AS_TOLD = (5.0, 10.0), (1.0, 0.82)  # by which the fit is surer than it says
_HOP_FT = 0.45
_ON_IT_FT = 0.15
_SHORT_STEP_S = 0.3  # fixes at least so close for hops to be seen
# Heights good to a third of an inch show the touch itself
_THIRD_OF_AN_INCH_FT, _PAVEMENT_FT = 0.03, 0.005
_HOP_BEGINS_FT, _THROWN_UP_FPS = 0.5, 1.2
_LONG_STEP_S, _HOP_RISES_FT, _HIGHEST_HOP_FT, _LEAST_SINK_FPS = 1.2, 0.15, 1.3, 0.3
# Within so much it is then known, by the time between fixes
_SEEN_STEPS_S, _SEEN_HALF_S = (0.1, 0.2, 1.0), (0.052, 0.08, 0.52)
_PROMPT_S = 0.1  # no moment of touch is told more sharply
_FINE_FT = 0.4  # white noise of a place below which it is taken to be as good as surveyed
_WANDER = 4.0  # a receiver's slow error of place against its white noise [own]
_STEADY_FT = 0.2  # in the square root of a second: heights that wander more show no touch, however smooth they are
_CALM = 0.3  # height noise [ft] below which bounces can be seen
_DRIFTS_S = 0.6  # before the touchdown, in which its drift is measured


def window_of(motion: Motion, judged: Judged) -> Window | None:
    """Cut out the fixes a touchdown is looked for in; None when there are too few."""
    one, runway = judged.passed, judged.passed.runway
    along, _ = motion.along(runway)
    raw_along, _ = motion.raw_along(runway)
    slowest = judged.slowest
    over = np.flatnonzero(along[one.first : slowest + 1] > -2_500)
    first = one.first + int(over[0]) if over.size else one.first
    time = motion.time_s
    last_s = float(time[slowest])
    height = motion.track.height_ft - runway.surface_ft(raw_along)
    smooth_height = motion.height_ft - runway.surface_ft(along)
    rolled = np.arange(first, slowest + 1)[time[first : slowest + 1] > last_s - 4.0]
    noise = max(0.05, known_or(motion.height_noise_ft, 0.0))
    if np.isfinite(smooth_height[rolled]).any():
        ground = float(np.nanmedian(smooth_height[rolled]))
        high = np.flatnonzero(smooth_height[first : slowest + 1] > ground + _LOW_FT)
        low = first + int(high[-1]) if high.size else first
        known = rolled[np.isfinite(height[rolled])]
        if known.size >= 6:
            line = np.polyfit(time[known] - last_s, height[known], 1)
            noise = max(0.02, float(np.std(height[known] - np.polyval(line, time[known] - last_s))))
    else:
        before = np.flatnonzero(along[first : slowest + 1] < -400)
        low = first + int(before[-1]) if before.size else first
    low_s = float(time[low])
    fast = np.flatnonzero(motion.speed_fps[low : slowest + 1] > _SLOWEST_SHARE * judged.approach_fps)
    step_s = float(np.median(np.diff(time[max(0, low - 10) : slowest + 1]))) if slowest > low else 1.0
    # of fixes far apart the next one tells by when it had slowed down
    slowed = low + int(fast[-1]) + (1 if step_s > _FAR_APART_S else 0) if fast.size else slowest
    latest_s = min(last_s - 0.2, float(time[min(slowed, slowest)]))
    earliest_s = low_s + 0.8
    down = wheels_down(motion.track, first, slowest)
    if down is not None:
        earliest_s, latest_s = _between(time, down[0])
        low_s = min(low_s, earliest_s - 0.8)
    cut = (time >= low_s - max(_BEFORE_S, _FIXES_BEFORE * step_s)) & (time <= last_s)
    if cut.sum() < _FEWEST_FIXES or latest_s <= low_s + 1.0:
        return None
    return Window(
        judged=judged,
        samples=Samples(
            time_s=time[cut],
            along_ft=raw_along[cut],
            speed_fps=motion.raw_speed(runway)[cut],
            height_ft=height[cut],
            sink_fps=max(_sink_on_final_fps(motion, judged, low_s), 1.5),
            approach_fps=judged.approach_fps,
            nose_s=nose_lowered_s(time[cut], motion.track.pitch_deg[cut], low_s),
        ),
        low_s=low_s,
        earliest_s=earliest_s,
        latest_s=latest_s,
        surface_noise_ft=min(noise, 2.0),
        told=down is not None,
    )


def _sink_on_final_fps(motion: Motion, judged: Judged, low_s: float) -> float:
    """Towards the sloping pavement just before the roundout; by the runway's path where no heights tell."""
    end = judged.passed.runway.end
    final = (motion.time_s >= low_s - 5) & (motion.time_s <= low_s + 1)
    rates = (motion.climb_fps - end.slope_pct / 100 * motion.speed_fps)[final]
    rates = rates[np.isfinite(rates)]
    if rates.size:
        return -float(np.median(rates))
    return judged.approach_fps * math.tan(math.radians(end.path_angle_deg))


def _between(time: Floats, down: int) -> tuple[float, float]:
    """Between which moments the wheels came down, when this is the first fix that is told to be on the ground."""
    before = float(time[down - 1]) if down else float(time[down]) - 1.0
    return before - _TOLD_LATE_S, max(float(time[down]), before + 0.4)


def nose_lowered_s(time: Floats, pitch_deg: Floats, low_s: float) -> float | None:
    """When the nose came down from its highest and stayed down; None where that was not recorded or did not happen."""
    known = np.isfinite(pitch_deg) & (time > low_s)
    if known.sum() < 6:
        return None
    at, pitch = time[known], pitch_deg[known]
    top = int(np.argmax(pitch))
    fallen = np.flatnonzero(pitch[top:] < pitch[top] - _NOSE_FALLS_DEG)
    if not fallen.size or pitch[top + int(fallen[0]) :].max() > pitch[top] - _NOSE_FALLS_DEG / 2:
        return None
    last_up = top + int(np.flatnonzero(pitch[top : top + int(fallen[0])] > pitch[top] - _NOSE_FALLS_DEG / 3)[-1])
    return float(at[last_up] + at[last_up + 1]) / 2


def _calm(motion: Motion) -> bool:
    """Whether the heights are so fine that hops and the pavement itself can be seen in them."""
    return motion.height_noise_ft is not None and max(motion.height_noise_ft, motion.height_step_ft / 3) < _CALM


def usual_prior(window: Window) -> Prior:
    """What is expected of a touchdown when nothing is known but the approach."""
    fps = window.judged.approach_fps
    return Prior(touchdown_fps=_TOUCHDOWN_SHARE * fps, touchdown_sd_fps=_TOUCHDOWN_SD_SHARE * fps)


def contact_of(motion: Motion, window: Window, prior: Prior, *, wander_ft: float) -> Contact:
    """The moment of touch within a window."""
    noise = Noise(
        along_ft=max(motion.place_noise_ft, 0.05),
        speed_fps=motion.speed_noise_fps,
        height_ft=max(motion.height_noise_ft, 0.05) if motion.height_noise_ft is not None else None,
        height_drift_ft=wander_ft,
        height_step_ft=motion.height_step_ft,
        surface_ft=window.surface_noise_ft if _calm(motion) else 0.1,
    )
    found = find_contact(
        window.samples,
        low_s=window.low_s,
        earliest_s=window.earliest_s,
        latest_s=window.latest_s,
        noise=noise,
        prior=prior,
    )
    seen_s = _seen_touching(motion, window, found, wander_ft=wander_ft)
    if seen_s is not None:
        return replace(found, time_s=seen_s, half_width_s=_seen_half_s(window), seen=True)
    thrown_s = _thrown_up(motion, window, found, wander_ft=wander_ft)
    if thrown_s is not None:
        return replace(found, time_s=thrown_s, half_width_s=_seen_half_s(window), seen=True)
    first_s = _touched_before(motion, window, found, wander_ft=wander_ft)
    if first_s is None:
        return found
    return replace(found, time_s=first_s, half_width_s=max(found.half_width_s, 0.25), seen=True)


def _seen_half_s(window: Window) -> float:
    return float(np.interp(np.median(np.diff(window.samples.time_s)), _SEEN_STEPS_S, _SEEN_HALF_S))


def _seen_touching(motion: Motion, window: Window, contact: Contact, *, wander_ft: float) -> float | None:
    """The moment at which the fall ends on the pavement, or turns into a hop; None where the heights do not show it."""
    s, noise_ft = window.samples, motion.height_noise_ft
    if noise_ft is None or wander_ft > _STEADY_FT or not np.isfinite(s.height_ft).all():
        return None
    step_ft = _written_in_ft(motion, window)
    if max(noise_ft, step_ft / 3) > _THIRD_OF_AN_INCH_FT:
        return None
    since = s.time_s - contact.time_s
    rolled = (since > 2.5) & (since < 5.5)
    if float(np.median(np.diff(since))) > _SHORT_STEP_S or rolled.sum() < 8:
        return None
    height = s.height_ft - np.polyval(np.polyfit(since[rolled], s.height_ft[rolled], 1), since)
    noise_ft = max(noise_ft, float(np.std(height[rolled])))
    if noise_ft > _THIRD_OF_AN_INCH_FT:
        return None
    climbs = np.diff(height) / np.diff(since)
    for k in np.flatnonzero((s.time_s > contact.level_s - 1.0) & (since < 2.5)):
        if not 2 <= k < since.size - 1:
            continue
        sink, up = -climbs[k - 2], climbs[k]
        down = height[k] < 3 * noise_ft + _PAVEMENT_FT
        if down or (height[k] < _HOP_BEGINS_FT and up > 0 and up + sink > _THROWN_UP_FPS):
            due = s.time_s[k - 1] + height[k - 1] / sink if sink > 0 else s.time_s[k]
            return float(np.clip(due, s.time_s[k - 1], s.time_s[k if down else k + 1]))
    return None


def _touched_before(motion: Motion, window: Window, contact: Contact, *, wander_ft: float) -> float | None:
    """An earlier touch that a hop followed, where the heights are fine enough to see it; else None."""
    s = window.samples
    if not _calm(motion) or wander_ft > _STEADY_FT or contact.ground_ft is None:
        return None
    if float(np.median(np.diff(s.time_s))) > _SHORT_STEP_S:
        return None
    height = s.height_ft - contact.ground_ft
    span = np.flatnonzero((s.time_s > contact.level_s - 2) & (s.time_s < contact.time_s + 0.6) & np.isfinite(height))
    for k in span:
        if height[k] < _ON_IT_FT:
            later = height[(s.time_s > s.time_s[k]) & (s.time_s < contact.time_s + 0.6)]
            if later.size and later.max() > _HOP_FT and s.time_s[k] < contact.time_s - 0.15:
                return float(s.time_s[k]) - 0.25 * float(np.median(np.diff(s.time_s)))
            return None
    return None


def _written_in_ft(motion: Motion, window: Window) -> float:
    """The step in which the heights about a landing were written: the least by which two of them differ."""
    s = window.samples
    near = (motion.time_s >= s.time_s[0]) & (motion.time_s <= s.time_s[-1])
    apart = np.diff(np.unique(np.round(motion.track.height_ft[near], 4)))
    return float(apart.min()) if apart.size else 0.0


def _thrown_up(motion: Motion, window: Window, contact: Contact, *, wander_ft: float) -> float | None:
    """The moment of touch when a slower recorder's fine heights show the hop that followed: a rise from the runway."""
    s = window.samples
    step_s = float(np.median(np.diff(s.time_s)))
    if not _calm(motion) or wander_ft > _STEADY_FT or contact.ground_ft is None:
        return None
    if not _SHORT_STEP_S < step_s < _LONG_STEP_S:
        return None
    # a rise counts when neither noise nor the step of the writing can be behind it
    least_ft = _HOP_RISES_FT + _written_in_ft(motion, window) + 4 * known_or(motion.height_noise_ft, 0.0)
    height = s.height_ft - contact.ground_ft
    rise = np.diff(height)
    for k in np.flatnonzero((s.time_s > contact.level_s) & (s.time_s < contact.time_s + 0.6)):
        low = 1 <= k < rise.size and height[k] < _HOP_BEGINS_FT and height[k + 1] < _HIGHEST_HOP_FT
        if low and rise[k] > least_ft:
            sink = max(-rise[k - 1] / step_s, _LEAST_SINK_FPS)
            return float(min(s.time_s[k] + max(height[k], 0.0) / sink, s.time_s[k + 1]))
    return None


def slow_place_error_ft(motion: Motion) -> float:
    """Standard deviation of what a receiver's place is off for minutes, which no smoothing takes out."""
    return _WANDER * motion.place_noise_ft if motion.place_noise_ft > _FINE_FT else 1.0


def event_on(motion: Motion, runway: Runway, *, kind: EventKind, time_s: float, **more: Any) -> Event:
    """An event on a runway: where the aeroplane was at that moment and how fast, and what else is known of it."""
    along, lateral = motion.along(runway)
    along_ft, lateral_ft, speed_fps = (
        float(np.interp(time_s, motion.time_s, values)) for values in (along, lateral, motion.speed_fps)
    )
    lat, lon = runway.frame.place(along_ft=along_ft, lateral_ft=lateral_ft)
    nearest = int(np.argmin(np.abs(motion.time_s - time_s)))
    place_ft = math.hypot(float(motion.level.spread([nearest])[0, 0]), slow_place_error_ft(motion))
    return Event(
        kind=kind,
        time_s=time_s,
        field=runway.field,
        runway=runway.end.ident,
        latitude_deg=lat,
        longitude_deg=lon,
        course_deg_true=runway.end.course_deg_true,
        along_ft=along_ft,
        lateral_ft=lateral_ft,
        lateral_uncertainty_ft=1.96 * place_ft,
        groundspeed_kt=speed_fps / FPS_PER_KT,
        **more,
    )


def touchdown_event(
    motion: Motion, window: Window, contact: Contact, *, spot_ft: float | None, then: Then | None, widen: float
) -> Event:
    """Everything measured of a landing.

    :param widen: by what the stated uncertainty of the moment is multiplied, from simulated flights
    """
    runway, time = window.judged.passed.runway, motion.time_s
    along, _ = motion.along(runway)
    touch = contact.time_s
    at = float(np.interp(touch, time, along))
    speed = float(np.interp(touch, time, motion.speed_fps))
    place_ft = slow_place_error_ft(motion)
    half_s = widen * contact.half_width_s * (_TOLD_WIDER if window.told else 1.0)
    if window.samples.nose_s is not None:
        half_s *= _NOSE_TELLS
    after = int(np.searchsorted(time, touch))
    silent_s = float(time[after] - time[after - 1]) if 0 < after < time.size else 0.0
    gap = silent_s > SILENT_S
    if gap:  # anywhere in the gap, for all that is known
        usual_s = float(np.median(np.diff(window.samples.time_s)))
        half_s *= float(np.interp(usual_s, _LONG_STEPS_S, _AS_TOLD))
        half_s = max(half_s, (_OF_A_LONG_STEP if silent_s <= _USUAL_STEPS * usual_s else _OF_THE_GAP) * silent_s)
    half = math.hypot(half_s * speed, 1.96 * place_ft, 0.0 if contact.seen else 1.96 * _PROMPT_S * speed)
    level_ft = float(np.interp(contact.level_s, time, along))
    ground = contact.ground_ft
    height = motion.height_ft - runway.surface_ft(along) - ground if ground is not None else None
    threshold = crossing(along, height, motion, window, 0.0)
    path = path_flown(motion, window, contact, along, height)
    return event_on(
        motion,
        runway,
        kind='touchdown',
        time_s=touch,
        from_spot_ft=at - spot_ft if spot_ft is not None else None,
        uncertainty_ft=half,
        airspeed_kt=_known(time, motion.track.airspeed_kt, touch),
        sink_fpm=contact.sink_fps * 60 if math.isfinite(contact.sink_fps) else None,
        crab_deg=_crab(time, motion.track.heading_deg_true, touch, runway.end.course_deg_true),
        drift_kt=_drift_fps(motion, runway, touch) / FPS_PER_KT,
        then=then,
        bounces=_bounces(motion, window, contact),
        final=FinalFlown(
            threshold_height_ft=threshold.height_ft if threshold and height is not None else None,
            threshold_groundspeed_kt=threshold.groundspeed_kt if threshold else None,
            threshold_airspeed_kt=_known(time, motion.track.airspeed_kt, _over_s(along, motion, window))
            if threshold
            else None,
            path_angle_deg=path[0] if path else None,
            aim_flown_ft=path[1] if path else None,
        ),
        hold_off=HoldOffFlown(
            roundout_start_ft=float(np.interp(contact.roundout_s, time, along)),
            float_ft=max(0.0, at - level_ft),
            float_uncertainty_ft=1.96 * math.hypot(contact.level_sd_s, contact.sd_s) * speed,
            float_s=max(0.0, touch - contact.level_s),
            deceleration_fps2=contact.deceleration_fps2,
        ),
        rollout_ft=float(along[window.judged.slowest]) - at,
        in_gap=gap,
    )


def _drift_fps(motion: Motion, runway: Runway, touch_s: float) -> float:
    """Speed across the runway just before the wheels touched: on them it is another within a step or two."""
    course, time = math.radians(runway.end.course_deg_true), motion.time_s
    before = int(np.searchsorted(time, touch_s))
    first = min(int(np.searchsorted(time, touch_s - _DRIFTS_S)), before - 1)
    span = slice(max(first, 0), before)
    told = motion.raw_ve_fps[span] * math.cos(course) - motion.raw_vn_fps[span] * math.sin(course)
    if np.isfinite(told).any() and touch_s - time[before - 1] < SILENT_S:
        return float(np.nanmean(told))
    near = slice(max(before - 2, 0), before + 2)
    return float(np.interp(touch_s, time[near], motion.speed_fps[near] * np.sin(motion.course_rad[near] - course)))


def _known(time: Floats, values: Floats, at_s: float) -> float | None:
    """A recorded value at a moment, None when none was recorded within two seconds of it."""
    first, last = np.searchsorted(time, [at_s - 2.0, at_s + 2.0])
    time, values = time[first:last], values[first:last]
    known = np.isfinite(values)
    return float(np.interp(at_s, time[known], values[known])) if known.sum() >= 2 else None


def _crab(time: Floats, heading_deg: Floats, at_s: float, course_deg: float) -> float | None:
    first, last = np.searchsorted(time, [at_s - 2.0, at_s + 2.0])
    return _known(time[first:last], (heading_deg[first:last] - course_deg + 180) % 360 - 180, at_s)


def _over_s(along: Floats, motion: Motion, window: Window) -> float:
    """When the aeroplane passed over the threshold."""
    span = slice(window.judged.passed.first, window.judged.slowest + 1)
    return float(np.interp(0.0, along[span], motion.time_s[span]))


def _bounces(motion: Motion, window: Window, contact: Contact) -> int | None:
    """Hops after the first touch; None where the heights are too rough to see them."""
    if not _calm(motion) or contact.ground_ft is None:
        return None
    if float(np.median(np.diff(window.samples.time_s))) > _SHORT_STEP_S:
        return None
    s = window.samples
    after = (s.time_s > contact.time_s + 0.05) & (s.time_s < contact.time_s + 8)
    up = (s.height_ft[after] - contact.ground_ft) > _HOP_FT
    return int(np.sum(np.diff(np.concatenate([[0], up.astype(int)])) == 1))
