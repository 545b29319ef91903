"""The student's record, the week, and the chief's view."""
