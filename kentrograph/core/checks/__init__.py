"""Whether what is drawn is right: readings against what they should be, and what almost meets, almost touches or lies twice."""
