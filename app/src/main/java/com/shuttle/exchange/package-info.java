/** Knowledge in and out: spreadsheets, web pages and Markdown files. */
@NullMarked
package com.shuttle.exchange;

import org.jspecify.annotations.NullMarked;
