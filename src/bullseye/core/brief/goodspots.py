"""Between which spots the landings of a kind are good: the aim point, the box and the go-around point alike."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import replace

from bullseye.core.basis.constants import LOW_WHEELS_FT
from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import LandingKind
from bullseye.core.basis.sentence import Phrasebook, Sentence
from bullseye.core.brief.aiming import Reached
from bullseye.core.brief.ground import GroundPart, expected_ft
from bullseye.core.brief.landing import BriefAnswer, make_brief
from bullseye.core.brief.request import BriefRequest

_STEP_FT = 10.0  # [own]
_BOOK = Phrasebook('good_spots')


def _is_good(brief: BriefAnswer) -> bool:
    """Unknown is not good."""
    return brief.aim.aim_is_good and brief.ground.box_fits is True


def bounds_ft(where: Reached, ground: GroundPart) -> tuple[float, float]:
    """Between which spots a landing is good as far as places tell [ft from the threshold]; none where they cross.

    From spot to spot only the feet move: the nearest is bound by the wheels, the threshold and what stands before it,
    the farthest by the go-around point and by where 19 of 20 landings touch and stop.
    """
    nearest_ft = max(0.0, math.ceil(where.nearest_good_spot_ft / _STEP_FT) * _STEP_FT)
    margin, spot_ft = ground.landing_margin, where.spot_ft
    limits_ft = [place for place in (ground.roll_point_ft, ground.climb_point_ft) if place is not None]
    # a place to go around by that the instructor set farther in makes no room for roll and climb
    last_ft = min(ground.go_around_point_ft, ground.part_point_ft, *limits_ft)
    room_ft = [last_ft - (max(where.box_to_ft, expected_ft(where)) - spot_ft)]
    room_ft += [place - (where.touchdown_95_ft - spot_ft) for place in limits_ft]
    if margin.stop_95_ft is not None:
        room_ft.append(margin.available_ft - (margin.stop_95_ft - spot_ft))
    return nearest_ft, min(room_ft)


def reached_by(brief: BriefAnswer) -> Reached:
    """Where a landing that was briefed reaches."""
    aim, touchdown = brief.aim, brief.touchdown
    return Reached(
        spot_ft=aim.spot_ft,
        box_to_ft=aim.box_ft[1],
        nearest_good_spot_ft=aim.nearest_good_spot_ft,
        predicted_touchdown_ft=touchdown.predicted_touchdown_ft,
        predicted_lately_ft=touchdown.predicted_lately_ft,
        touchdown_95_ft=touchdown.touchdown_95_ft,
    )


class GoodSpots:
    """Briefs of a request by landing kind, and the spots at which they are good."""

    def __init__(
        self, request: BriefRequest, brief: BriefAnswer, of_kind: Mapping[LandingKind, BriefRequest] | None = None
    ) -> None:
        """Take the request of the lesson, its brief, and its other landings with what the pilot's laps teach of each.

        A kind that is not among them is landed with what is known of the lesson's own.
        """
        self._request, self._of_kind = request, of_kind or {}
        self._set_ft = request.overrule('aim_point_ft')
        self._briefs: dict[LandingKind, BriefAnswer | None] = {}
        if request.asked_aim_ft is None:
            self._briefs[request.landing] = brief
        self._ranges: dict[LandingKind, tuple[float, float] | None] = {}

    def _of(self, kind: LandingKind) -> BriefRequest:
        """The landing of a kind; flap and speed that were chosen hold for the landing they were chosen for."""
        return self._of_kind.get(kind) or self._request.elsewhere(landing=kind)

    def _at(self, kind: LandingKind, spot_ft: float) -> BriefAnswer:
        """A landing at a spot, with the aim point as worked out."""
        of_kind = self._of(kind)
        kept = tuple(one for one in of_kind.overruled if one.number != 'aim_point_ft')
        there = replace(of_kind, spot_ft=spot_ft, aim_point_ft=None, overruled=kept)
        return make_brief(there, is_tried=True)

    def held_aim_ft(self, kind: LandingKind, spot_ft: float) -> float | None:
        """The aim point where the last laps hold it back [ft]; None where they do not, or it would not be good so."""
        of_kind = self._of_kind.get(kind)
        if of_kind is None or of_kind.aim_point_ft is None or of_kind.overrule('aim_point_ft') is not None:
            return None
        held_ft = of_kind.aim_point_ft + spot_ft - of_kind.spot_ft
        there = replace(of_kind, spot_ft=spot_ft, aim_point_ft=held_ft)
        return held_ft if make_brief(there, is_tried=True).aim.aim_is_good else None

    def set_aim_ft(self, kind: LandingKind, spot_ft: float) -> float | None:
        """The aim point that the instructor set for this landing [ft]; None where it is as worked out."""
        return self._set_ft if (kind, spot_ft) == (self._request.landing, self._request.spot_ft) else None

    def brief(self, kind: LandingKind) -> BriefAnswer | None:
        """The landing as worked out for a kind, at the spot of the request; None when the aircraft cannot fly it."""
        if kind not in self._briefs:
            try:
                self._briefs[kind] = self._at(kind, self._request.spot_ft)
            except InvalidInput:
                self._briefs[kind] = None
        return self._briefs[kind]

    def range_ft(self, kind: LandingKind) -> tuple[float, float] | None:
        """Nearest and farthest good spot [ft from the threshold]; None when there is none, or it is unknown."""
        if kind not in self._ranges:
            self._ranges[kind] = self._find(kind)
        return self._ranges[kind]

    def _find(self, kind: LandingKind) -> tuple[float, float] | None:
        brief = self.brief(kind)
        if brief is None:
            return None
        nearest_ft, farthest_ft = bounds_ft(reached_by(brief), brief.ground)
        if nearest_ft > farthest_ft:
            return None
        nearest_ft = max(nearest_ft, min(farthest_ft, self._easy_ft(brief)))
        spot_ft = min(max(self._request.spot_ft, nearest_ft), farthest_ft)
        here = brief if spot_ft == brief.aim.spot_ft else self._at(kind, spot_ft)
        return (nearest_ft, farthest_ft) if _is_good(here) else None

    def _easy_ft(self, brief: BriefAnswer) -> float:
        """Nearest spot at which the wheels need no caution [ft]; planned so where the runway allows."""
        path = math.tan(math.radians(brief.speed.path_angle_deg)) + self._request.runway.slope_pct / 100
        more_ft = (LOW_WHEELS_FT - brief.aim.wheels_over_pavement_ft) / max(0.01, path)
        return math.ceil((brief.aim.spot_ft + more_ft) / _STEP_FT) * _STEP_FT

    def problem_at(self, kind: LandingKind, spot_ft: float) -> Sentence | None:
        """Why a landing of a kind is not good at a spot; None when it is."""
        spots_ft = self.range_ft(kind)
        if spots_ft is not None and spots_ft[0] <= spot_ft <= spots_ft[1]:
            return None
        if self.brief(kind) is None:
            return self.problems(kind)[0]
        brief = self._at(kind, spot_ft)
        if _is_good(brief):
            return None  # beyond the first part of the runway, which is only to be minded
        return self._why(brief)[0]

    def problems(self, kind: LandingKind) -> tuple[Sentence, ...]:
        """Why a landing of a kind is not good at the spot of the request, or at any."""
        brief = self.brief(kind)
        if brief is None:
            return (_BOOK.say('no_figures'),)
        said = self._why(brief)
        return said or (_BOOK.say('no_room'),)

    @staticmethod
    def _why(brief: BriefAnswer) -> tuple[Sentence, ...]:
        said = brief.aim.aim_problems
        if not said and brief.ground.box_fits is not True:
            return (_BOOK.say('unknown_roll'),)
        return said
