/**
 * How a message is listened to. People answer, tell more than was asked, change their minds and ask something of their own
 * in one breath, so that no single rule may take a message: forms are filled in any order (GUS: Bobrow et al., 1977), and
 * both sides may take the lead. Every source claims the words that it understood ({@link com.shuttle.core.listening.Claim});
 * {@link com.shuttle.core.listening.Weighing} decides between claims, and all that wins is acted on.
 *
 * <p>Strengths, from 0 to 1: a standing request that is all of a message 1; a change to what is known .95; an answer to what
 * is asked, and a request for a person in a clause, .9; words that only tell of the visitor .85; a fact told besides .8; any
 * words for a free question .7; a flow's phrase .6; any words for an open question .5; words that name no option .4; a
 * question as sure as the knowledge is of its answer, .25 where it could only suggest some, .1 where it knows none. What
 * claims a part of a message leaves the rest to others. Words are told apart from idle ones by a closed list.
 *
 * <p>People repair what they said at any later moment, and say so in a few ways (Schegloff, Jefferson and Sacks, 1977; the
 * parts of a repair are named as by Shriberg, 1994): marks such as "no wait" or "I mean" (the interregnum) stand between what
 * is wrong (the reparandum, often left out or said as "not 3") and what is right (the repair).
 * {@link com.shuttle.core.listening.RepairReader} reads them; it changes nothing.
 */
@NullMarked
package com.shuttle.core.listening;

import org.jspecify.annotations.NullMarked;
