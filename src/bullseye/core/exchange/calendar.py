"""Sorties as iCalendar [pub: RFC 5545], for the calendar that a person keeps anyway."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, time, timedelta

from icalendar import Calendar, Event


@dataclass(frozen=True, slots=True, kw_only=True)
class CalendarEntry:
    """One booked flight. ``at`` is its hour in UTC; without one it stands on its day."""

    uid: str
    title: str
    place: str
    words: str
    day: date
    at: time | None
    booked_min: float
    is_cancelled: bool
    changed_at: datetime


def calendar_text(entries: Sequence[CalendarEntry], *, name: str) -> str:
    """A calendar with an event for each entry, lines ended and folded as the standard has them."""
    calendar = Calendar()
    calendar.add('prodid', '-//Bullseye//Sorties//EN')
    calendar.add('version', '2.0')
    calendar.add('method', 'PUBLISH')
    calendar.add('x-wr-calname', name)
    for entry in entries:
        calendar.add_component(_event(entry))
    written: bytes = calendar.to_ical()
    return written.decode()


def _event(entry: CalendarEntry) -> Event:
    event = Event()
    event.add('uid', entry.uid)
    event.add('summary', entry.title)
    event.add('location', entry.place)
    event.add('description', entry.words)
    event.add('dtstamp', entry.changed_at.astimezone(UTC))
    if entry.at is None:
        event.add('dtstart', entry.day)
        event.add('dtend', entry.day + timedelta(days=1))  # the day after is the first that it is not on
    else:
        start = datetime.combine(entry.day, entry.at, UTC)
        event.add('dtstart', start)
        event.add('dtend', start + timedelta(minutes=entry.booked_min))
    event.add('status', 'CANCELLED' if entry.is_cancelled else 'CONFIRMED')
    return event
