"""The whole way: clean, smooth, onto the runways, passes, touchdowns, laps."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import groupby

import numpy as np

from bullseye.core.air.atmosphere import density_ratio, isa_temperature_c, true_airspeed_kt
from bullseye.core.basis.constants import FPS_PER_KT
from bullseye.core.basis.unknown import known_or
from bullseye.tracks.airwind import WindAloft, find_wind
from bullseye.tracks.alike import slowing_like, touching_alike
from bullseye.tracks.away import axis_through, off_runways, stops_away
from bullseye.tracks.clean import clean, gaps
from bullseye.tracks.coarse import Doubt, coarse_words, maybe_touched
from bullseye.tracks.contact import Contact
from bullseye.tracks.contactmodels import Prior
from bullseye.tracks.drills import held_aloft
from bullseye.tracks.events import Event, HeldAloft, Lap, Then
from bullseye.tracks.fields import Runway, near
from bullseye.tracks.gates import Window
from bullseye.tracks.known import Known
from bullseye.tracks.landing import contact_of, touchdown_event, usual_prior, window_of
from bullseye.tracks.laps import laps_of
from bullseye.tracks.motion import Motion, motion_about
from bullseye.tracks.offset import Ties, tie_on_ground
from bullseye.tracks.passes import Judged, Pass, as_far, beside, find_passes, judge
from bullseye.tracks.speeds import TAXI_FPS
from bullseye.tracks.takeoffs import stayed_up, takeoff
from bullseye.tracks.track import Floats, Track

Progress = Callable[[str], None]

# [own], tuned on simulated flights that bench/tracks.py does not use
_LAP_TO_LAP_FPS = 2.2 * FPS_PER_KT  # scatter of one pilot's touchdown speed [own]
_AIRCRAFT_SHARE = 0.06  # by weight, and by how near the stall the pilot touches
_LEFT_NEAR_GROUND = 0.6  # of the wind at pattern height
_WIDEN = 1.2  # of the stated uncertainty, so that it holds 95 % of the truths in simulated flights
_SURE_S = 0.35  # a touchdown known so well is left as it is
_SAME_PASS_S = 50.0


@dataclass(frozen=True)
class Analysis:
    """What a track holds."""

    track: Track  # cleaned
    events: tuple[Event, ...]
    laps: tuple[Lap, ...]
    winds: tuple[WindAloft, ...]
    warnings: tuple[str, ...]
    height_ft: Floats  # of each fix above the sea, tied to the runways; NaN where it never could be
    motion: Motion
    held: tuple[HeldAloft, ...]


@dataclass
class _Found:
    """A landing on its way to becoming an event."""

    judged: Judged
    window: Window
    contact: Contact


def analyse(
    track: Track, runways: Sequence[Runway], *, known: Known | None = None, progress: Progress = lambda _: None
) -> Analysis:
    """Find everything that happened on known runways, and landings elsewhere.

    :raises UnreadableTrack: when the track holds nothing usable
    """
    known = known or Known()
    progress('cleaning')
    track = clean(track)
    warnings = list(track.warnings)
    if gaps(track.time_s).any():
        silent = np.diff(track.time_s)[gaps(track.time_s)]
        warnings.append(f'{silent.size} gap{"s" * (silent.size > 1)} in the track, the longest {silent.max():.0f} s')
    if not track.has('height_ft'):
        warnings.append('the track has no heights: touchdowns are found by speed alone, and less sharply')
    close = near(runways, lat_deg=track.lat_deg, lon_deg=track.lon_deg)
    if runways and not close:
        warnings.append('the track comes near none of the given fields')
    warnings += coarse_words(track)
    progress('smoothing')
    events: list[Event] = []
    laps: list[Lap] = []
    motions: list[tuple[Motion, Ties | None]] = []
    for _, group in groupby(sorted(close, key=_whose), key=_whose):
        own = list(group)
        motion = motion_about(track, lat_deg=own[0].frame.threshold_lat_deg, lon_deg=own[0].frame.threshold_lon_deg)
        progress('looking for laps')
        here = _AtField(motion, own, known)
        warnings += [one.words for one in here.doubts]
        laps += laps_of(motion, own, here.events, here.details, first=len(events), wander_ft=here.ties.wander_ft)
        events += here.events
        motions.append((motion, here.ties))
    if not motions:
        middle = track.count // 2
        motions.append(
            (motion_about(track, lat_deg=float(track.lat_deg[middle]), lon_deg=float(track.lon_deg[middle])), None)
        )
    motion, tied = motions[0]
    away = _elsewhere(motion, events)
    for event in away:
        if event.then == 'full_stop':
            warnings.append(
                f'a landing away from any known runway at {event.latitude_deg:.5f}, {event.longitude_deg:.5f}, '
                f'rolling out on a course of {event.course_deg_true:.0f}°: make the field and analyse again'
            )
    everything = events + away
    order = sorted(range(len(everything)), key=lambda k: everything[k].time_s)
    rank = {old: new for new, old in enumerate(order)}
    laps = [replace(lap, end=rank[lap.end], takeoff=None if lap.takeoff is None else rank[lap.takeoff]) for lap in laps]
    laps.sort(key=lambda lap: lap.to_s)
    progress(f'{len(laps)} laps found')
    offset = tied.along(motion.time_s) if tied is not None else np.full(track.count, np.nan)
    return Analysis(
        track=track,
        events=tuple(everything[k] for k in order),
        laps=tuple(replace(lap, number=number + 1) for number, lap in enumerate(laps)),
        winds=tuple(find_wind(motion)),
        warnings=tuple(warnings),
        height_ft=motion.height_ft - offset,
        motion=motion,
        held=held_aloft(motion, everything),
    )


def _elsewhere(motion: Motion, events: Sequence[Event]) -> list[Event]:
    """What happened on no known runway: landings to a stop, and what else used the runway that they rolled out on."""
    stops = stops_away(motion, events)
    found = list(stops)
    for stop in stops:
        for event in _AtField(motion, axis_through(motion, stop), Known()).events:
            again = any(abs(event.time_s - one.time_s) < _SAME_PASS_S and event.kind == one.kind for one in found)
            if event.kind in ('touchdown', 'takeoff') and not again:
                found.append(off_runways(event))
    return found


def _whose(runway: Runway) -> tuple[str, str]:
    return runway.field, runway.field_name or ''


def _by_aircraft(known: Known, window: Window, winds: Sequence[WindAloft]) -> tuple[float, float] | None:
    """Touchdown speed over the ground [ft/s] by the aircraft's own and the wind, and its spread; None without either.

    The wind of the turns is that of the pattern; near the ground about 0.6 of it is left [com: the power law over open
    ground gives 0.55 to 0.65].
    """
    if known.touchdown_kcas is None or not winds:
        return None
    end = window.judged.passed.runway.end
    wind = min(winds, key=lambda one: abs((one.from_s + one.to_s) / 2 - window.latest_s))
    air = density_ratio(pressure_altitude_ft=end.elevation_ft, temperature_c=isa_temperature_c(end.elevation_ft))
    own_kt = true_airspeed_kt(calibrated_kt=known.touchdown_kcas, density_ratio=air)
    head_kt = wind.along_kt(end.course_deg_true)
    spread_kt = math.hypot(_AIRCRAFT_SHARE * own_kt, _LEFT_NEAR_GROUND * wind.sd_kt, 0.15 * head_kt)
    return (own_kt - _LEFT_NEAR_GROUND * head_kt) * FPS_PER_KT, spread_kt * FPS_PER_KT


def _prior(window: Window, known: Known, *told: tuple[float, float] | None) -> Prior:
    """What is expected of a touchdown, by the approach and by what else is told of its speed: mean and spread."""
    prior = usual_prior(window)
    for one in told:
        if one is None:
            continue
        fps, sd = one
        weight, weight_0 = 1 / sd**2, 1 / prior.touchdown_sd_fps**2
        prior = replace(
            prior,
            touchdown_fps=(fps * weight + prior.touchdown_fps * weight_0) / (weight + weight_0),
            touchdown_sd_fps=math.sqrt(1 / (weight + weight_0)),
        )
    if known.deceleration_fps2 is not None:
        prior = replace(
            prior,
            deceleration_fps2=known.deceleration_fps2,
            deceleration_sd_fps2=known.deceleration_sd_fps2,
        )
    return prior


class _AtField:
    """What happened on the runways of one field, in order of time, and what the laps are measured from."""

    def __init__(self, motion: Motion, runways: Sequence[Runway], known: Known) -> None:
        self.motion, self.spots_ft = motion, known_or(known.spots_ft, {})
        self.runways = runways
        self.judged, self.found, self.ties = _settled(motion, runways, known)
        self.events: list[Event] = []
        self.details: list[tuple[int, Window | None, Contact | None]] = []
        self.doubts: list[Doubt] = []  # what the fixes do not tell
        self._off_ft = math.inf  # of the last pass that stayed in the air, from its centreline
        for index, one in enumerate(self.judged):
            if index in self.found:
                self._landed(index, one)
            elif one.kind == 'takeoff':
                self._lifted_off(one, ground_ft=None)
            elif one.kind == 'airborne':
                self.stayed_up(one)

    def _landed(self, index: int, one: Judged) -> None:
        landing = self.found[index]
        then = _then(self.motion, self.judged, index)
        spot = self.spots_ft.get(one.passed.runway.end.ident)
        self.details.append((len(self.events), landing.window, landing.contact))
        self.events.append(
            touchdown_event(self.motion, landing.window, landing.contact, spot_ft=spot, then=then, widen=_WIDEN)
        )
        if one.kind == 'touch_and_go':
            self._lifted_off(one, ground_ft=landing.contact.ground_ft)

    def _lifted_off(self, one: Judged, *, ground_ft: float | None) -> None:
        lift = takeoff(self.motion, one, self.ties, ground_ft=ground_ft)
        if lift is not None:
            self.events.append(lift)

    def stayed_up(self, one: Judged) -> None:
        passed = stayed_up(self.motion, one, self.ties)
        if passed is None:
            return
        if maybe_touched(self.motion, one, passed):
            self.doubts.append(Doubt(one.passed.runway.name, passed.time_s))
            return
        before = self.events[-1] if self.events else None
        in_air = before is not None and before.kind in ('go_around', 'low_approach')
        if before is not None and in_air and passed.time_s - before.time_s < _SAME_PASS_S:
            # the same, seen along a neighbouring runway or once more: the runway flown along counts, where one does
            if before.runway is not None and before.runway != passed.runway and self._is_open(one):
                self._untold(before)
            elif one.passed.lateral_ft < self._off_ft:
                self.events[-1], self._off_ft = passed, one.passed.lateral_ft
                if not one.passed.told:
                    self._untold(passed)
            return
        self._off_ft = one.passed.lateral_ft
        if one.passed.told and not self._given_up_elsewhere(one, passed):
            self.details.append((len(self.events), None, None))
            self.events.append(passed)
        else:
            self.events.append(replace(passed, runway=None, along_ft=None))

    def _given_up_elsewhere(self, one: Judged, passed: Event) -> bool:
        """Whether it was about as near to a runway beside where it was given up, which may be before the pass."""
        at = int(np.argmin(np.abs(self.motion.time_s - passed.time_s)))
        own, *others = (
            abs(float(self.motion.along(runway)[1][at]))
            for runway in (one.passed.runway, *beside(one.passed.runway, self.runways))
        )
        return any(as_far(own, other) for other in others)

    def _is_open(self, one: Judged) -> bool:
        """Whether a pass was as far from its runway as the one before from another."""
        nearer_ft, other_ft = sorted((one.passed.lateral_ft, self._off_ft))
        return as_far(nearer_ft, other_ft)

    def _untold(self, event: Event) -> None:
        """Let the last event be of the field alone, and end no lap."""
        index = len(self.events) - 1
        self.details = [one for one in self.details if one[0] != index]
        self.events[index] = replace(event, runway=None, along_ft=None)


def _settled(motion: Motion, runways: Sequence[Runway], known: Known) -> tuple[list[Judged], dict[int, _Found], Ties]:
    """The passes along the runways, the landings among them by their index, and what the heights are tied to."""
    ties = tie_on_ground(motion, runways)
    passes = find_passes(motion, runways)
    judged = [_judged(motion, one, ties, None) for one in passes]
    winds = find_wind(motion) if known.touchdown_kcas is not None else []
    found = _landings(motion, judged, known, ties, {}, winds)
    # what sure landings teach: where the ground is, and how fast this aeroplane touches down
    for index, sure in found.items():
        if sure.contact.ground_ft is not None and judged[index].log_odds > 3:
            ties.add(sure.contact.time_s, sure.contact.ground_ft, 1.5)
    hints = _usual_speeds(found)
    judged = [
        _judged(motion, one.passed, ties, hints.get(one.passed.runway.end.ident)) if abs(one.log_odds) < 6 else one
        for one in judged
    ]
    found = _by_the_others(_landings(motion, judged, known, ties, found, winds))
    return judged, found, _retied(ties, found)


def _judged(motion: Motion, one: Pass, ties: Ties, hint_fps: float | None) -> Judged:
    middle = float(motion.time_s[(one.first + one.last) // 2])
    offset, sd = ties.at(middle, but_not_s=None)
    return judge(motion, one, height_offset_ft=offset, offset_sd_ft=sd, stall_hint_fps=hint_fps)


def _landings(
    motion: Motion,
    judged: Sequence[Judged],
    known: Known,
    ties: Ties,
    before: Mapping[int, _Found],
    winds: Sequence[WindAloft],
) -> dict[int, _Found]:
    """The touchdown of every pass that landed, each by itself; those found before are kept."""
    found: dict[int, _Found] = {}
    for index, one in enumerate(judged):
        if one.kind not in ('landing', 'touch_and_go'):
            continue
        if index in before:
            found[index] = before[index]
            continue
        window = window_of(motion, one)
        if window is not None:
            prior = _prior(window, known, _by_aircraft(known, window, winds))
            found[index] = _Found(one, window, contact_of(motion, window, prior, wander_ft=ties.wander_ft))
    return found


def _by_the_others(found: Mapping[int, _Found]) -> dict[int, _Found]:
    """Every landing that is not sure by itself in the light of the others of its flight."""
    contacts = {index: one.contact for index, one in found.items()}
    unsure = {index for index, one in found.items() if not one.contact.seen and one.contact.sd_s >= _SURE_S}
    for index in unsure:
        contacts[index] = slowing_like(found[index].contact, [one.contact for k, one in found.items() if k != index])
    for ident in {_ident(found[index]) for index in unsure}:
        own = [index for index, one in found.items() if _ident(one) == ident]
        priors = [found[index].contact.models.prior for index in own]
        flight = replace(
            priors[0],
            touchdown_fps=float(np.mean([one.touchdown_fps for one in priors])),
            touchdown_sd_fps=float(np.mean([one.touchdown_sd_fps for one in priors])),
        )
        for index, contact in zip(own, touching_alike([contacts[k] for k in own], flight), strict=True):
            if index in unsure:
                contacts[index] = contact
    return {index: replace(one, contact=contacts[index]) for index, one in found.items()}


def _ident(found: _Found) -> str:
    return found.judged.passed.runway.end.ident


def _usual_speeds(found: Mapping[int, _Found]) -> dict[str, float]:
    """Touchdown speed over the ground [ft/s] by runway ident, as its landings tell."""
    speeds: dict[str, list[tuple[float, float]]] = {}
    for one in found.values():
        weight = 1 / (one.contact.speed_sd_fps**2 + _LAP_TO_LAP_FPS**2)
        speeds.setdefault(_ident(one), []).append((one.contact.speed_fps, weight))
    return {
        ident: sum(fps * weight for fps, weight in told) / sum(weight for _, weight in told)
        for ident, told in speeds.items()
    }


def _retied(ties: Ties, found: Mapping[int, _Found]) -> Ties:
    """The ties of taxiing, and one for each touchdown."""
    fresh = Ties(ties.wander_ft)
    touches = {round(one.contact.time_s, 6) for one in found.values()}
    for time_s, offset, sd in zip(ties.time_s, ties.offset_ft, ties.sd_ft, strict=True):
        if round(time_s, 6) not in touches:
            fresh.add(time_s, offset, sd)
    for one in found.values():
        if one.contact.ground_ft is not None:
            fresh.add(one.contact.time_s, one.contact.ground_ft, 1.0)
    return fresh


def _then(motion: Motion, judged: Sequence[Judged], index: int) -> Then | None:
    """What followed a touchdown."""
    one = judged[index]
    if one.kind == 'touch_and_go':
        return 'touch_and_go'
    end = float(motion.time_s[one.passed.last])
    following = next((other for other in judged[index + 1 :] if motion.time_s[other.passed.first] >= end - 1), None)
    if following is not None and following.kind == 'takeoff' and following.passed.runway is one.passed.runway:
        between = slice(one.passed.last, following.passed.first + 1)
        along, lateral = motion.along(one.passed.runway)
        stayed = bool(np.all(np.abs(lateral[between]) < one.passed.runway.half_width_ft + 40))
        onward = along[following.passed.first] > along[one.slowest] - 150
        if stayed and onward and motion.time_s[following.passed.first] - end < 300:
            return 'stop_and_go'
    if motion.speed_fps[one.slowest] > 1.5 * TAXI_FPS:
        return None  # the track ends in the rollout
    return 'full_stop'
