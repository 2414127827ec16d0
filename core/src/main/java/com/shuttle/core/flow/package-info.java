/** The model of a flow: steps, exits, sections; its JSON form; edits to it. */
@NullMarked
package com.shuttle.core.flow;

import org.jspecify.annotations.NullMarked;
