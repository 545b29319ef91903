"""From a recorded flight to measured laps; :mod:`bullseye.tracks.readers` reads the files."""

ANALYSIS_VERSION = '5'  # goes up when the same file is measured otherwise
