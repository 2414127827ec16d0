-- Rows of every turn. A foreign key brings an index of its own here, beside the primary key that begins with the same column,
-- and a look-up for each row; only a turn writes these rows, in one transaction with its conversation, and only an erasure
-- deletes them, with their conversation.
alter table message drop constraint message_conversation;
alter table conversation_event drop constraint conversation_event_conversation;
