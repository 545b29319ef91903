"""Bringing a database to the version of this program."""

from __future__ import annotations

from pathlib import Path

from alembic import command
from alembic.config import Config
from alembic.runtime.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import create_engine

from bullseye.core.basis.errors import BullseyeError

_MIGRATIONS = Path(__file__).parents[1] / 'migrations'


class NewerDatabase(BullseyeError):
    """The database was written by a newer version of the program."""

    code = 'newer_database'


def alembic_config(url: str) -> Config:
    """Alembic's settings for a database."""
    config = Config()
    config.set_main_option('script_location', str(_MIGRATIONS))
    config.set_main_option('sqlalchemy.url', url.replace('%', '%%'))
    return config


def upgrade(url: str) -> None:
    """Run the migrations that are missing.

    :raises NewerDatabase: when it holds one this program does not know
    """
    config = alembic_config(url)
    known = {script.revision for script in ScriptDirectory.from_config(config).walk_revisions()}
    engine = create_engine(url)
    with engine.connect() as connection:
        current = MigrationContext.configure(connection).get_current_heads()
    engine.dispose()
    unknown = set(current) - known
    if unknown:
        raise NewerDatabase('The database was written by a newer version of Bullseye; use that version.')
    command.upgrade(config, 'head')
