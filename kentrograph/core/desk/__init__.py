"""What a person does at the table: the open line, pointing, picks, handles, completion, working, and what is shown of it all."""
