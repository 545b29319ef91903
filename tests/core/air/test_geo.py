import pytest
from geographiclib.geodesic import Geodesic

from bullseye.core.air.geo import RunwayFrame
from bullseye.core.basis.constants import FT_PER_M


@pytest.mark.parametrize(
    ('lat_deg', 'lon_deg', 'course_deg'), [(47.2, -38.4, 38), (-33, 179.99, 71), (-33, -179.99, 251), (59, 10, 5)]
)
def test_the_flat_frame_agrees_with_the_geodesic(lat_deg, lon_deg, course_deg):
    # an independent method [pub: Karney (2013), J. Geodesy 87, 43-55]
    frame = RunwayFrame(threshold_lat_deg=lat_deg, threshold_lon_deg=lon_deg, course_deg_true=course_deg)
    there = Geodesic.WGS84.Direct(lat_deg, lon_deg, course_deg, 4_000 / FT_PER_M)
    along_ft, lateral_ft = frame.locate(lat_deg=there['lat2'], lon_deg=there['lon2'])
    # (4,000 ft)^2 tan(59) / 2R = 0.6 ft is what a flat earth leaves out at the northernmost
    assert (along_ft, lateral_ft) == pytest.approx((4_000, 0), abs=0.7)
    back_lat, back_lon = frame.place(along_ft=along_ft, lateral_ft=lateral_ft)
    assert -180 <= back_lon <= 180  # as files and databases have it, across the 180th meridian too
    gap = Geodesic.WGS84.Inverse(back_lat, back_lon, there['lat2'], there['lon2'])['s12']
    assert gap * FT_PER_M < 0.01
