"""What was seen of a lap, however it was seen: readings side by side, the lap as measured and as the model takes it.

Whether it was good belongs in ``explain``; what it teaches belongs in ``learn``.
"""
