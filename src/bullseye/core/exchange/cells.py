"""Cells of a CSV file: none that a spreadsheet takes for a formula goes out, and each comes in as it was."""

_DANGEROUS = ('=', '+', '-', '@', '\t', '\r')


def safe_cell(text: str) -> str:
    """A cell that no spreadsheet takes for a formula: an apostrophe goes before what begins like one."""
    return f"'{text}" if text.startswith(_DANGEROUS) else text


def plain_cell(text: str) -> str:
    """A cell as it was before :func:`safe_cell`."""
    return text[1:] if text.startswith("'") and text[1:].startswith(_DANGEROUS) else text
