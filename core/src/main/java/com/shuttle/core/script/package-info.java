/** Layout of the script view: which lane each row and each thread runs in. */
@NullMarked
package com.shuttle.core.script;

import org.jspecify.annotations.NullMarked;
