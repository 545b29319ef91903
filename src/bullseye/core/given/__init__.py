"""What a brief is made from: aircraft, field, loading, technique, standard, and what is believed of the pilot.

Values that a school enters, or that learning has found. They check themselves and answer simple questions about
themselves; what follows from several of them together belongs in a later folder.
"""
