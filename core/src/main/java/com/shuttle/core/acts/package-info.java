/**
 * What a message does: each of its clauses gives, corrects, asks, requests, refuses, is unsure, is social or only mentions. It is
 * learnt from samples ({@code ./shuttle learn}) and says how sure it is; what is made of it is decided where the message is
 * listened to.
 */
@NullMarked
package com.shuttle.core.acts;

import org.jspecify.annotations.NullMarked;
