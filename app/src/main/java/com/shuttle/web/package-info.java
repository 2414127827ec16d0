/** What every screen needs: ids, safe Markdown, refusals, errors, page frame. */
@NullMarked
package com.shuttle.web;

import org.jspecify.annotations.NullMarked;
