-- What a visitor has booked is looked for with each of their words, by their conversations.
create index booking_conversation on booking (conversation_id);
create index conversation_visitor on conversation (visitor);
