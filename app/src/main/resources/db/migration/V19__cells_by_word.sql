-- Look-ups for what stands in a column, which are the most.
create index data_cell_low on data_cell (table_id, column_key, low);
