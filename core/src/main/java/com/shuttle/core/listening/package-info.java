/**
 * What a message does to what is known already. People repair what they said at any later moment, and say so in a few ways
 * (Schegloff, Jefferson and Sacks, 1977; the parts of a repair are named as by Shriberg, 1994): marks such as "no wait" or "I
 * mean" (the interregnum) stand between what is wrong (the reparandum, often left out or said as "not 3") and what is right
 * (the repair). {@link com.shuttle.core.listening.RepairReader} reads them; it changes nothing.
 */
@NullMarked
package com.shuttle.core.listening;

import org.jspecify.annotations.NullMarked;
