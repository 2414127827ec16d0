/** What a conversation is made of: where it stands, what happens to it, what it waits for, asks and brings about. Data only. */
@NullMarked
package com.shuttle.core.conversation;

import org.jspecify.annotations.NullMarked;
