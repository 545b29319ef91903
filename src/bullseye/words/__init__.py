"""What the program says: the catalogue of texts, Fluent files by subject and language, which the browser reads too."""
