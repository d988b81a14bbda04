"""Distances, angles, areas, second moments, gaps, traverses and boxes of figures."""
