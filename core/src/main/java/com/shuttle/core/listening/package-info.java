/**
 * How a message is listened to. People answer, tell more than was asked, change their minds and ask something of their own
 * in one breath, so that no single rule may take a message: forms are filled in any order (GUS: Bobrow et al., 1977), and
 * both sides may take the lead. Every source claims the words that it understood ({@link com.shuttle.core.listening.Claim});
 * {@link com.shuttle.core.listening.Weighing} decides between claims, and all that wins is acted on.
 *
 * <p>How sure each kind of claim is stands in {@link com.shuttle.core.listening.Strengths}. What claims a part of a message
 * leaves the rest to others. Words are told apart from idle ones by a closed list.
 *
 * <p>People repair what they said at any later moment, and say so in a few ways (Schegloff, Jefferson and Sacks, 1977; the
 * parts of a repair are named as by Shriberg, 1994): marks such as "no wait" or "I mean" (the interregnum) stand between what
 * is wrong (the reparandum, often left out or said as "not 3") and what is right (the repair).
 * {@link com.shuttle.core.listening.RepairReader} reads them; it changes nothing.
 */
@NullMarked
package com.shuttle.core.listening;

import org.jspecify.annotations.NullMarked;
