"""Drawings in PostgreSQL: tables, what is read and written, migrations."""
