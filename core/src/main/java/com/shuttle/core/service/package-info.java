/**
 * Services outside, as designers describe them: what goes in, the request that is made of it, and what is read from the reply.
 * Nothing here reaches out; making a request and reading a reply are pure functions.
 */
@NullMarked
package com.shuttle.core.service;

import org.jspecify.annotations.NullMarked;
