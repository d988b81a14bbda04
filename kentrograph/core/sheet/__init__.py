"""What stands on paper, laid out: dimensions, notes, tables, sheets. All in millimetres on paper, y up, directions in degrees."""
