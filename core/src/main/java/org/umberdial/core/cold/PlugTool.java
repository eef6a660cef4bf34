package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Unit;

/**
 * One reading across the plug for the whole line chain; when it fails, the chain is halved with the fewest further
 * readings.
 */
final class PlugTool implements ColdTool {
    private static final String READ = "s.";
    private static final double NEAR = 0.25;
    private static final double LEADS = 1;

    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        LineChain chain = scene.chain();
        List<Block> blocks = new ArrayList<>();
        List<Line> first = new ArrayList<>();
        for (int i = 0; i < chain.setFirst().size(); i++) {
            first.add(new Line(chain.setFirst().get(i), "", List.of(Cell.yesNo("set." + i, "done"))));
        }
        blocks.add(new Block("Set first", "A chain is closed only when all of these are.", first));
        OptionalDouble expected = expected(scene);
        blocks.add(new Block(
                "Across the plug",
                "",
                List.of(new Line(
                        "Pin to pin",
                        "",
                        List.of(Cell.figure(
                                "plug",
                                "",
                                Unit.OHM,
                                expected.isPresent() ? ColdTool.ohms(expected.getAsDouble()) : plausible(scene)))))));
        if (fails(scene, figures)) {
            blocks.add(new Block("Halve it", "", splits(scene, figures)));
        }
        return blocks;
    }

    private static List<Line> splits(ColdScene scene, Figures figures) {
        LineChain chain = scene.chain();
        List<Line> lines = new ArrayList<>();
        for (ChainSplit.Read read : reads(scene, figures)) {
            lines.add(line(chain, read.from(), read.to()));
        }
        ChainSplit split = ChainSplit.of(chain.links().size(), reads(scene, figures));
        if (split.suspects().size() > 1) {
            ChainSplit.Probe probe = split.next();
            lines.add(line(chain, probe.from(), probe.to()));
        }
        return lines;
    }

    private static Line line(LineChain chain, int from, int to) {
        String links = String.join(
                ", ",
                chain.links().subList(from, to).stream()
                        .map(LineChain.Link::name)
                        .toList());
        return new Line(
                "From " + chain.points().get(from) + " to " + chain.points().get(to),
                "",
                List.of(Cell.figure(
                        READ + from + "." + to, "over " + links, Unit.OHM, ColdTool.ohms(chain.ohms(from, to)))));
    }

    private static List<ChainSplit.Read> reads(ColdScene scene, Figures figures) {
        List<ChainSplit.Read> reads = new ArrayList<>();
        for (String key : figures.entered().keySet().stream()
                .filter(k -> k.matches("s\\.[0-9]+\\.[0-9]+"))
                .sorted()
                .toList()) {
            String[] ends = key.split("\\.");
            int from = Integer.parseInt(ends[1]);
            int to = Integer.parseInt(ends[2]);
            OptionalDouble ohms = figures.ohms(key);
            if (ohms.isPresent() && from < to && to <= scene.chain().links().size()) {
                reads.add(new ChainSplit.Read(
                        from, to, isOpen(ohms.getAsDouble(), scene.chain().ohms(from, to))));
            }
        }
        return reads;
    }

    /** Not a good joint any more: far above what the links have. */
    private static boolean isOpen(double read, double expected) {
        return read > 3 * expected + 20;
    }

    private static OptionalDouble expected(ColdScene scene) {
        List<Card> line = scene.set().cards().stream()
                .filter(card -> card.kind().equals("line"))
                .toList();
        boolean usual = scene.chain().parts().stream()
                .anyMatch(ref -> scene.set().part(ref).filter(Part::unconfirmed).isPresent());
        OptionalDouble network = line.isEmpty() || usual
                ? OptionalDouble.empty()
                : scene.ohms(line.get(0).nodes().get(0), line.get(0).nodes().get(1));
        return network.isPresent() && Double.isFinite(network.getAsDouble())
                ? OptionalDouble.of(network.getAsDouble() + scene.chain().ohms(0, 1) * 2)
                : OptionalDouble.empty();
    }

    /** A range by the label's watts: copper of a primary is 2 to 15 % of V²/W, cold heaters are about a seventh. */
    private static double[] range(ColdScene scene) {
        double full =
                scene.lineVolts() * scene.lineVolts() / scene.label().watts().orElse(50);
        return scene.set().construction().transformer()
                ? new double[] {0.015 * full, 0.15 * full}
                : new double[] {0.08 * full, 0.35 * full};
    }

    private static String plausible(ColdScene scene) {
        double[] range = range(scene);
        return "plausible " + ColdTool.ohms(range[0]) + " to " + ColdTool.ohms(range[1])
                + (scene.label().watts().isPresent()
                        ? " by its watts"
                        : " for 50 W; the label's watts would tell better");
    }

    private static boolean fails(ColdScene scene, Figures figures) {
        OptionalDouble plug = figures.ohms("plug");
        return plug.isPresent() && isOpen(plug.getAsDouble(), expected(scene).orElse(range(scene)[1]));
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        List<String> unset = new ArrayList<>();
        for (int i = 0; i < scene.chain().setFirst().size(); i++) {
            if (!figures.yes("set." + i)) {
                unset.add(scene.chain().setFirst().get(i));
            }
        }
        OptionalDouble plug = figures.ohms("plug");
        if (plug.isEmpty()) {
            return ColdVerdict.wants(
                            unset.isEmpty()
                                    ? "Read across the plug."
                                    : "Set first: "
                                            + unset.stream()
                                                    .map(PlugTool::lower)
                                                    .collect(Collectors.joining("; ")) + ".")
                    .with(links(scene, Verdict.UNREAD), List.of());
        }
        if (fails(scene, figures)) {
            return open(scene, claims, figures, unset);
        }
        return judged(scene, claims, plug.getAsDouble());
    }

    private static ColdVerdict open(ColdScene scene, List<Claim> claims, Figures figures, List<String> unset) {
        if (!unset.isEmpty()) {
            return ColdVerdict.nothing(
                    "Open, but not everything is set: " + lower(String.join("; ", unset)) + ".",
                    "Set it and read across the plug again before looking for a break.");
        }
        ChainSplit split = ChainSplit.of(scene.chain().links().size(), reads(scene, figures));
        if (split.contradiction()) {
            return ColdVerdict.nothing(
                    "These readings leave no link that could be open: a joint makes and breaks, or there are "
                            + "two breaks.",
                    "Read across the plug again while you wiggle cord, switch and tubes; then take the halves anew.");
        }
        if (split.found() >= 0) {
            LineChain.Link link = scene.chain().links().get(split.found());
            List<Claim> bad = aspects(claims, link.reference(), scene);
            String act = link.reference().equals(Roles.FUSE)
                    ? "Look for what blew it before a new one goes in: rectifier, filter capacitors, line capacitor."
                    : "Read across that one link to be sure, mend it, then read across the plug again: a "
                            + "chain can have a second break.";
            return new ColdVerdict(
                    Verdict.BAD,
                    "The break is in the " + link.name() + ": every other link reads closed.",
                    List.of(),
                    results(scene, split),
                    proven(claims, scene, split),
                    bad,
                    List.of(),
                    act);
        }
        ChainSplit.Probe probe = split.next();
        int more = 32 - Integer.numberOfLeadingZeros(split.suspects().size() - 1);
        return new ColdVerdict(
                Verdict.DOUBT,
                "The chain is open; " + split.suspects().size() + " of its links are left, at most " + more
                        + (more == 1 ? " more reading" : " more readings") + " will name it.",
                List.of(),
                results(scene, split),
                proven(claims, scene, split),
                List.of(),
                suspects(claims, scene, split),
                "Read from " + scene.chain().points().get(probe.from()) + " to "
                        + scene.chain().points().get(probe.to()) + ".");
    }

    /** The chain as it is before anything failed: each link with its own ohms. */
    private static List<ColdVerdict.Result> links(ColdScene scene, Verdict word) {
        return scene.chain().links().stream()
                .map(link -> new ColdVerdict.Result(link.name(), ColdTool.ohms(link.ohms()), "", word))
                .toList();
    }

    private static List<ColdVerdict.Result> results(ColdScene scene, ChainSplit split) {
        List<ColdVerdict.Result> results = new ArrayList<>();
        for (int i = 0; i < scene.chain().links().size(); i++) {
            LineChain.Link link = scene.chain().links().get(i);
            boolean suspect = split.suspects().contains(i);
            results.add(new ColdVerdict.Result(
                    link.name(),
                    suspect ? "" : "closed",
                    "",
                    suspect ? split.found() == i ? Verdict.BAD : Verdict.DOUBT : Verdict.GOOD));
        }
        return results;
    }

    private static List<Claim> proven(List<Claim> claims, ColdScene scene, ChainSplit split) {
        List<Claim> proven = new ArrayList<>();
        for (LineChain.Link link : scene.chain().links()) {
            boolean open = split.suspects().stream()
                    .anyMatch(i -> scene.chain().links().get(i).reference().equals(link.reference()));
            if (!open) {
                proven.addAll(aspects(claims, link.reference(), scene));
            }
        }
        return proven.stream().distinct().toList();
    }

    private static List<Claim> suspects(List<Claim> claims, ColdScene scene, ChainSplit split) {
        return split.suspects().stream()
                .flatMap(i -> aspects(claims, scene.chain().links().get(i).reference(), scene).stream())
                .distinct()
                .toList();
    }

    /** Claims of a link; a heater's are its tube's. */
    private static List<Claim> aspects(List<Claim> claims, String reference, ColdScene scene) {
        String tube = reference.equals(Roles.CORD) || reference.equals(Roles.FUSE)
                ? reference
                : scene.set().tubeOf(reference);
        return claims.stream()
                .filter(c -> c.subject().equals(reference) || c.subject().equals(tube))
                .toList();
    }

    private static ColdVerdict judged(ColdScene scene, List<Claim> claims, double read) {
        OptionalDouble expected = expected(scene);
        if (expected.isEmpty()) {
            double[] range = range(scene);
            boolean fits = read >= range[0] - LEADS && read <= range[1] + LEADS;
            String closed = "The chain is closed at " + ColdTool.ohms(read) + "; ";
            return fits
                    ? ColdVerdict.good(closed + plausible(scene) + ".", claims)
                    : read < range[0]
                            ? ColdVerdict.doubt(
                                    closed + "that is little: " + plausible(scene)
                                            + ". A short across the line, or shorted turns?",
                                    claims,
                                    "Read it switched off, and with the transformer's or heaters' lead lifted.")
                            : ColdVerdict.doubt(
                                    closed + "that is much: " + plausible(scene) + ".",
                                    claims,
                                    "A burnt contact? Read across switch and fuse alone.");
        }
        double e = expected.getAsDouble();
        double off = read / e - 1;
        String size = ColdTool.ohms(read) + " where " + ColdTool.ohms(e) + " is expected";
        if (Math.abs(read - e) <= NEAR * e + LEADS) {
            return ColdVerdict.good(size + ": cord, fuse, switch and what they feed are closed in one reading.", claims)
                    .with(
                            links(scene, Verdict.GOOD),
                            List.of(ColdTool.text(
                                    "Sum of the chain cold: %s",
                                    ColdTool.ohms(scene.chain()
                                            .ohms(0, scene.chain().links().size())))));
        }
        if (off < 0) {
            return ColdVerdict.doubt(
                    size + ", too little: a short across the line, a line capacitor, or shorted turns.",
                    List.of(),
                    "Read it switched off; then lift the line capacitor.");
        }
        return high(scene, read, size, claims);
    }

    private static ColdVerdict high(ColdScene scene, double read, String size, List<Claim> claims) {
        Card line = scene.set().cards().stream()
                .filter(card -> card.kind().equals("line"))
                .findFirst()
                .orElseThrow();
        Map<String, Double> open =
                scene.ifOpen(line.nodes().get(0), line.nodes().get(1));
        List<String> fits = open.entrySet().stream()
                .filter(e ->
                        Double.isFinite(e.getValue()) && Math.abs(read - e.getValue()) < 0.15 * e.getValue() + LEADS)
                .sorted(Comparator.comparingDouble(e -> Math.abs(read - e.getValue())))
                .map(Map.Entry::getKey)
                .limit(3)
                .toList();
        String why = fits.isEmpty()
                ? ": a contact that has burnt, or a dirty pin."
                : ": just what is left when " + String.join(" or ", fits) + " is open.";
        return ColdVerdict.doubt(
                size + ", too much" + why,
                fits.isEmpty()
                        ? claims
                        : fits.stream()
                                .flatMap(f -> aspects(claims, f, scene).stream())
                                .toList(),
                fits.isEmpty()
                        ? "Read across switch, fuse and each pin alone, and clean what is not near zero."
                        : "Read across " + fits.get(0) + " by itself.");
    }

    private static String lower(String text) {
        return Character.toLowerCase(text.charAt(0)) + text.substring(1);
    }
}
