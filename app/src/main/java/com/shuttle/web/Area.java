package com.shuttle.web;

/**
 * An area of the header. Every bean of this type is shown to those who may enter it, in the order of their places.
 *
 * @param name  unique; pages say which area they belong to by it
 * @param label in the header
 * @param path  where it begins
 * @param place among the others
 * @param who   may enter it
 */
public record Area(String name, String label, String path, int place, Access.Who who) {}
