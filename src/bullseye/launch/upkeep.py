"""What must be done again and again while the school is served: a backup a day, and a certificate in time."""

from __future__ import annotations

import time
from collections.abc import Callable
from dataclasses import dataclass, field

from bullseye.launch.say import GiveUp, step

_AGAIN_AFTER_S = 900.0  # when it has failed


@dataclass
class Task:
    """One thing to do, and when next; by the clock on the wall, since a machine may sleep."""

    name: str
    do: Callable[[], None]
    every_s: float
    due_at: float
    failed: str = ''


@dataclass
class Upkeep:
    """Tasks that are done when they are due; one that fails is said, and tried again, and stops nothing."""

    tasks: list[Task] = field(default_factory=list)
    now: Callable[[], float] = time.time

    def add(self, name: str, do: Callable[[], None], *, every_s: float, last_at: float | None) -> None:
        """A task, and when it was last done; None when never."""
        self.tasks.append(Task(name, do, every_s, 0.0 if last_at is None else last_at + every_s))

    def tick(self) -> None:
        """Do what is due. A clock that jumps back does not put anything off for longer than its usual time."""
        now = self.now()
        for task in self.tasks:
            task.due_at = min(task.due_at, now + task.every_s)
            if now < task.due_at:
                continue
            try:
                task.do()
            except (GiveUp, OSError) as error:
                task.due_at, task.failed = now + min(_AGAIN_AFTER_S, task.every_s), str(error)
                step(f'{task.name} failed, and is tried again: {error}')
            else:
                task.due_at, task.failed = now + task.every_s, ''
