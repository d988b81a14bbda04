"""Text only: text to statements and back, files, sentences; reading needs no drawing and cannot fail."""
