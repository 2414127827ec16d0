/** What is told outside by mail and web callback: kept with its turn, delivered after it, shown on the page Sent. */
@NullMarked
package com.shuttle.notices;

import org.jspecify.annotations.NullMarked;
