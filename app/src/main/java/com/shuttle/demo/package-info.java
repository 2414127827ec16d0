/** The demo organisation, made at first start. */
@NullMarked
package com.shuttle.demo;

import org.jspecify.annotations.NullMarked;
