/** When somebody is followed up, and why not. */
@NullMarked
package com.shuttle.core.followup;

import org.jspecify.annotations.NullMarked;
