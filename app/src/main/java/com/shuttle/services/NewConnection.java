package com.shuttle.services;

/**
 * A connection to be made.
 *
 * @param kind         {@code none}, {@code header}, {@code query}, {@code basic} or {@code oauth}
 * @param who          name of the header or of the part of the query, of the user, or of the client
 * @param tokenAddress where OAuth gives tokens
 * @param secret       in the clear
 */
public record NewConnection(String name, String address, String kind, String who, String tokenAddress, String secret) {}
