package org.umberdial.core.set;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A place to put the probe.
 *
 * @param id stable
 * @param node node of the network, lower case
 * @param name what people call it, for example {@code V4 plate}
 * @param socket socket reference such as {@code V4}, empty when it is not at a tube
 * @param pin pin of the socket, empty when it is not at a tube
 * @param hint where to find it, for example {@code can, first section}; may be empty
 */
public record TestPoint(String id, String node, String name, String socket, String pin, String hint) {
    private static final Pattern PIN = Pattern.compile("(?i)(V[0-9]+[A-Z]?)[.\\-/ ](?:pin )?([0-9]{1,2}|cap)");

    /** A point of a set whose circuit nobody has: its node is its own name, {@code v4_plate} for {@code V4 plate}. */
    public static TestPoint named(String name, String hint) {
        String node =
                name.strip().toLowerCase(Locale.ROOT).replace("+", " plus").replaceAll("[^a-z0-9]+", "_");
        String plain = node.replaceAll("^_+|_+$", "");
        Matcher pin = PIN.matcher(name.strip());
        boolean atPin = pin.matches();
        return new TestPoint(
                plain,
                plain,
                name.strip(),
                atPin ? pin.group(1).toUpperCase(Locale.ROOT) : "",
                atPin ? pin.group(2).toLowerCase(Locale.ROOT) : "",
                hint);
    }
}
