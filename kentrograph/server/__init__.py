"""The web application: HTTP for the shelf, one socket a table for everything live."""
