"""The rules of the trade: pure functions on frozen dataclasses, without input or output."""
