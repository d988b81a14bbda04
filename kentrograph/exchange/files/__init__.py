"""Drawings as files that other programs and machines read, and theirs read by us: one file for each format and direction."""
