"""What is printed: PDF pages, black on white."""
