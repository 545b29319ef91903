"""What everything stands on: units and constants with their sources, closed lists, checked fields, errors, tables.

Nothing here knows a runway, an aircraft or a wind. A bound, a constant or a list that more than one later folder needs
belongs here; a rule of the trade belongs in a later folder.
"""
