"""The tables, by what they keep; whoever asks for one of them has all of them known to each other."""

from bullseye.store.rows import equipment, flying, installation, people, record, tracks

__all__ = ['equipment', 'flying', 'installation', 'people', 'record', 'tracks']
