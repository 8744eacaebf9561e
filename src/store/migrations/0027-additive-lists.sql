-- What was read of contents says the additive lists of plugins too: [{"plugin", "records", "lists"}], without lists where there are none.
-- They are read with the next reading of the shelf.
update shelf_mod set stamp = '';
