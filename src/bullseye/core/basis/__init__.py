"""What everything stands on: units and constants with their sources, closed lists, checked fields, errors, tables.

Nothing here knows a runway, an aircraft or a wind. A rule of the trade belongs in a later folder; a bound, a constant or
a list that more than one of them needs belongs here.
"""
