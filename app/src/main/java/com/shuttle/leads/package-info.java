/** People and leads: who they are, what they said and agreed to, what they scored, and what is to be done about them. */
@NullMarked
package com.shuttle.leads;

import org.jspecify.annotations.NullMarked;
