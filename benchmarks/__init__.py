"""Speed, as ratios in one run; never a timed test."""
