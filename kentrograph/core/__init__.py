"""The rules of the job and its computation: standard library only, no interface, web or database."""
