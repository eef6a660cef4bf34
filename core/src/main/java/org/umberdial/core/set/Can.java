package org.umberdial.core.set;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A capacitor of several sections in one can.
 *
 * @param name what the sections share in their {@code can} key
 * @param sections in the set's order, with the mark that tells each on the label and its terminal
 * @param common the node all sections share; empty when they share none
 * @param remark what follows for the can: whether it is at chassis, and what is wrong with the entry
 */
public record Can(String name, List<Section> sections, String common, String remark) {
    /** @param mark the mark at its terminal: {@code half moon}, {@code square}, {@code one hole}; may be empty */
    public record Section(String reference, String mark, String live) {}

    /** The cans of a set: every capacitor whose part line names one. */
    public static List<Can> of(BenchSet set) {
        Map<String, List<Part>> byCan = new LinkedHashMap<>();
        set.parts()
                .forEach(part -> part.card()
                        .key("can")
                        .ifPresent(can -> byCan.computeIfAbsent(can, name -> new ArrayList<>())
                                .add(part)));
        return byCan.entrySet().stream()
                .map(entry -> can(set, entry.getKey(), entry.getValue()))
                .toList();
    }

    private static Can can(BenchSet set, String name, List<Part> parts) {
        Set<String> shared = new LinkedHashSet<>(parts.get(0).nodes());
        parts.forEach(part -> shared.retainAll(part.nodes()));
        String common = shared.contains("0") ? "0" : shared.stream().findFirst().orElse("");
        List<Section> sections = parts.stream()
                .map(part -> new Section(
                        part.reference(),
                        part.card().key("mark").orElse(""),
                        part.nodes().stream()
                                .filter(node -> !node.equals(common))
                                .findFirst()
                                .orElse("")))
                .toList();
        return new Can(name, sections, common, remark(set, parts, sections, common));
    }

    private static String remark(BenchSet set, List<Part> parts, List<Section> sections, String common) {
        if (common.isEmpty()) {
            return "Its sections share no end; a can has one common. Check the ends of "
                    + String.join(", ", parts.stream().map(Part::reference).toList()) + ".";
        }
        List<String> marks = sections.stream()
                .map(Section::mark)
                .filter(mark -> !mark.isEmpty())
                .toList();
        if (marks.stream().distinct().count() < marks.size()) {
            return "Two sections carry the same mark; each has its own on the label.";
        }
        if (parts.stream().allMatch(part -> part.nodes().get(0).equals(common))) {
            return common.equals("0")
                    ? "Its plus is at " + set.nameOf("0")
                            + ": the rail is negative. Mark it on can and chassis before anything is unsoldered."
                    : "Its common is the plus end, at " + set.nameOf(common) + ".";
        }
        if (!common.equals("0")) {
            return "Its common is " + set.nameOf(common) + ", not the chassis: the can is insulated and may be live.";
        }
        return set.construction().liveChassis()
                ? "Its common is the minus rail; where the can touches the chassis, the chassis is that rail."
                : "Its common is the chassis.";
    }
}
