"""Files that other people's programs read: open formats only, one file each."""
