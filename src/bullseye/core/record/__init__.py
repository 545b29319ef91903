"""The student over months: where each one stands, what comes next, what was signed."""
