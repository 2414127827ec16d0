/** Knowledge in and out as spreadsheets, web pages and Markdown files; bots as files and copies. */
@NullMarked
package com.shuttle.exchange;

import org.jspecify.annotations.NullMarked;
