"""Physics and frames: the atmosphere, wind resolved on a course, turns in moving air, the sun, and places on the earth.

True of any aircraft and any field. What a pilot does about it belongs in a later folder.
"""
