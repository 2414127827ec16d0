package com.shuttle.chat;

import com.shuttle.core.conversation.Deed;

/** Knows whether somebody can be told. There is one bean of this type, of the package that delivers what is told. */
@FunctionalInterface
public interface Telling {

    /** Why somebody cannot be told; empty where it will be tried. */
    String may(Deed.Tell deed);
}
