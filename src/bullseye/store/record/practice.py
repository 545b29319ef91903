"""What was practised on the ground: handed out under a signature, judged from the answers, kept once, for its owner."""

from __future__ import annotations

import dataclasses
import uuid
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Any, Literal

from itsdangerous import BadSignature, URLSafeSerializer
from pydantic import TypeAdapter, ValidationError
from sqlalchemy import select
from sqlalchemy.orm import Session

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.practise.drills import (
    LEAST_PICTURES,
    MOST_PICTURES,
    ClipTruth,
    Picture,
    Practised,
    Press,
    judge_path,
    judge_roundout,
)
from bullseye.core.practise.threshold import OFFSETS_DEG
from bullseye.store.errors import Conflict
from bullseye.store.rows.people import User
from bullseye.store.rows.record import Practice

Drill = Literal['path', 'roundout']
_PICTURES, _PRESSES = TypeAdapter(list[Picture]), TypeAdapter(list[Press])
_TRUTHS = TypeAdapter(list[ClipTruth])
_HOLDS = timedelta(days=30)  # [own] for which what was taken along may be answered
_SHOWN = 200


@dataclass(frozen=True, slots=True, kw_only=True)
class Handed:
    """What was handed out: to whom, when, which drill, where, and what is true of it."""

    id: str
    person_id: int
    handed_at: str
    drill: Drill
    conditions: dict[str, str]
    truth: list[dict[str, float]]


def _signer(key: str) -> URLSafeSerializer:
    return URLSafeSerializer(key, salt='practice')


def hand_out(
    person: User, *, key: str, drill: Drill, conditions: dict[str, str], truths: Sequence[ClipTruth] = ()
) -> str:
    """Sign what is handed out, so that answers can be judged again, once, for this person alone."""
    handed = Handed(
        id=str(uuid.uuid4()),
        person_id=person.id,
        handed_at=datetime.now(UTC).isoformat(),
        drill=drill,
        conditions=conditions,
        truth=_TRUTHS.dump_python(list(truths), mode='json'),
    )
    return str(_signer(key).dumps(dataclasses.asdict(handed)))


def _read(token: str, *, key: str, person: User) -> Handed:
    """What a token is of.

    :raises InvalidInput: when it was altered, is of another person, or is too old
    """
    try:
        handed = TypeAdapter(Handed).validate_python(_signer(key).loads(token))
    except (BadSignature, ValidationError):
        raise InvalidInput('token', 'given', 'what was handed out with these pictures, unchanged') from None
    if handed.person_id != person.id:
        raise InvalidInput('token', 'given', 'pictures that were handed out to you')
    if datetime.now(UTC) - datetime.fromisoformat(handed.handed_at) > _HOLDS:
        raise InvalidInput('token', 'given', 'pictures of the last 30 days')
    return handed


def _judged(handed: Handed, answers: Sequence[dict[str, Any]]) -> tuple[Practised, list[Any]]:
    """Judge answers by what is true of what was handed out.

    :raises InvalidInput: for answers that cannot be of it
    """
    try:
        if handed.drill == 'path':
            pictures = _PICTURES.validate_python(answers)
            if not LEAST_PICTURES <= len(pictures) <= MOST_PICTURES:
                raise InvalidInput('answers', len(pictures), f'{LEAST_PICTURES} to {MOST_PICTURES} pictures')
            if any(one.off_deg not in OFFSETS_DEG for one in pictures):
                raise InvalidInput('answers', 'given', 'pictures that were handed out')
            return judge_path(pictures), _PICTURES.dump_python(pictures, mode='json')
        presses, truths = _PRESSES.validate_python(answers), _TRUTHS.validate_python(handed.truth)
    except ValidationError:
        raise InvalidInput('answers', 'given', 'an answer to each picture or film') from None
    clips = [one.clip for one in presses]
    if not presses or len(set(clips)) != len(clips) or max(clips) >= len(truths):
        raise InvalidInput('answers', len(presses), 'one press to each film that was handed out')
    return judge_roundout(truths, presses), _PRESSES.dump_python(presses, mode='json')


def keep(db: Session, person: User, *, key: str, token: str, answers: Sequence[dict[str, Any]]) -> Practised:
    """Judge what was practised, and keep it once.

    :raises InvalidInput: when token or answers cannot be
    :raises Conflict: when other answers to the same were kept before
    """
    handed = _read(token, key=key, person=person)
    found, plain = _judged(handed, answers)
    known = db.get(Practice, (person.school_id, uuid.UUID(handed.id)))
    if known is not None:
        if known.answers != plain:
            raise Conflict('these pictures were answered before, and count once')
        return found
    db.add(
        Practice(
            school_id=person.school_id,
            id=uuid.UUID(handed.id),
            person_id=person.id,
            drill=handed.drill,
            practised_at=datetime.now(UTC),
            figure=found.figure,
            low=found.low,
            high=found.high,
            items=found.items,
            conditions=handed.conditions,
            answers=plain,
        )
    )
    db.commit()
    return found


def of_person(db: Session, person: User) -> Sequence[Practice]:
    """What a person practised, latest first."""
    query = (
        select(Practice)
        .where(Practice.school_id == person.school_id, Practice.person_id == person.id)
        .order_by(Practice.practised_at.desc())
        .limit(_SHOWN)
    )
    return db.scalars(query).all()
