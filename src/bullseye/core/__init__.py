"""The rules of the trade: pure functions on frozen dataclasses, without input or output.

The folders follow the loop: a landing is briefed from what is given, flown, measured and explained, and what it teaches
goes into the next brief. Imports go one way::

    basis ← air ← given ← exchange
                        ← model ← fly
                                ← measure ← brief ← explain ← learn
"""
