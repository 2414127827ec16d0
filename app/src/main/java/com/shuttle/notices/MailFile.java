package com.shuttle.notices;

/** A file that goes with a mail. @param type as in RFC 2046, such as {@code application/pdf} */
record MailFile(String name, String type, byte[] content) {}
