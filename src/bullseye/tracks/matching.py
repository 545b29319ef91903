"""Which lap that was noted down is which landing of a track."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

# A tap comes after the wheels have met the runway, rarely more than a minute [own]
_USUAL_DELAY_S = 8.0
_SOON_S = 25.0
_FARTHEST_S = 150.0  # a lap takes four minutes at least: beyond this it is another one
_OTHER_END = 2.0  # a landing noted as a go-around, or the other way round, is unlikely
_LEAVE_OUT = 4.0
_IN_THE_AIR = ('go_around', 'low_approach', 'drill')


@dataclass(frozen=True, slots=True, kw_only=True)
class Ended:
    """The end of a lap: when [s since 1970 UTC], and how."""

    at_s: float
    outcome: str


def match(tracked: Sequence[Ended], noted: Sequence[Ended]) -> list[int | None]:
    """For each end found in a track the index of the noted lap that it is, None when none was noted; both in order.

    The pairing of least cost in which nothing overtakes: seconds apart from the usual delay of a tap, counted in
    units of 25 s, 2 for a landing noted as none; leaving one out costs 4. Source: [own], by the algorithm of
    [pub: Needleman and Wunsch 1970].
    """
    rows, columns = len(tracked), len(noted)
    cost = [[0.0] * (columns + 1) for _ in range(rows + 1)]
    for i in range(rows, -1, -1):
        for j in range(columns, -1, -1):
            options = []
            if i < rows:
                options.append(cost[i + 1][j] + _LEAVE_OUT)
            if j < columns:
                options.append(cost[i][j + 1] + _LEAVE_OUT)
            if i < rows and j < columns and (pair := _pair(tracked[i], noted[j])) is not None:
                options.append(cost[i + 1][j + 1] + pair)
            cost[i][j] = min(options, default=0.0)
    found: list[int | None] = [None] * rows
    i = j = 0
    while i < rows and j < columns:
        pair = _pair(tracked[i], noted[j])
        if pair is not None and cost[i][j] == cost[i + 1][j + 1] + pair:
            found[i] = j
            i, j = i + 1, j + 1
        elif cost[i][j] == cost[i + 1][j] + _LEAVE_OUT:
            i += 1
        else:
            j += 1
    return found


def _pair(tracked: Ended, noted: Ended) -> float | None:
    late_s = noted.at_s - tracked.at_s - _USUAL_DELAY_S
    if abs(late_s) > _FARTHEST_S:
        return None
    other = (tracked.outcome in _IN_THE_AIR) != (noted.outcome in _IN_THE_AIR)
    return abs(late_s) / _SOON_S + (_OTHER_END if other else 0.0)
