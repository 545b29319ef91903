"""Unit conversions at the edge; inside the core everything is kt, ft, s and degrees."""

from bullseye.core.constants import FPS_PER_KT, FT_PER_M, FT_PER_NM, HPA_PER_INHG


def kt_to_fps(kt: float) -> float:
    """Knots to feet per second."""
    return kt * FPS_PER_KT


def fps_to_kt(fps: float) -> float:
    """Feet per second to knots."""
    return fps / FPS_PER_KT


def m_to_ft(m: float) -> float:
    """Metres to feet."""
    return m * FT_PER_M


def ft_to_m(ft: float) -> float:
    """Feet to metres."""
    return ft / FT_PER_M


def nm_to_ft(nm: float) -> float:
    """Nautical miles to feet."""
    return nm * FT_PER_NM


def inhg_to_hpa(inhg: float) -> float:
    """Inches of mercury to hectopascals."""
    return inhg * HPA_PER_INHG
