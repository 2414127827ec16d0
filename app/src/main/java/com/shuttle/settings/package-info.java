/** People, teams, tokens, and who may do what. */
@NullMarked
package com.shuttle.settings;

import org.jspecify.annotations.NullMarked;
