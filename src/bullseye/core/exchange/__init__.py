"""Open formats, as text or plain data, to and from the values of ``given``: GeoJSON, runway tables, METAR.

Each reader refuses what it cannot read and names the part; nothing here opens a file.
"""
