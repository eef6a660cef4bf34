package org.umberdial.core.arrival;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.WorthSaid;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Extra;
import org.umberdial.core.set.Part;

/**
 * Whether a set is worth its restoration: hours and parts of the plan so far against what it is worth, after the parts
 * that cannot be bought.
 *
 * @param lines the jobs, the dearest first
 * @param rare what cannot be bought
 * @param hours at the bench
 * @param parts price of all parts, in the shop's money
 * @param total hours at the shop's rate, and parts
 * @param ceiling worth and sentiment together
 * @param reason one sentence
 * @param arithmetic the sum, one line a step
 */
public record Worth(
        List<Line> lines,
        List<Rare> rare,
        double hours,
        BigDecimal parts,
        BigDecimal total,
        BigDecimal ceiling,
        Verdict verdict,
        String reason,
        List<String> arithmetic) {
    /** What to do. */
    public enum Verdict {
        SAY_WORTH,
        TEST_FIRST,
        STOP,
        GO
    }

    /**
     * One kind of job.
     *
     * @param hours for all of them
     * @param price of parts, for all of them
     * @param each hours for one
     * @param priceEach price for one
     */
    public record Line(
            String job,
            String label,
            int count,
            double each,
            BigDecimal priceEach,
            double hours,
            BigDecimal price,
            BigDecimal cost) {}

    /** How a part that cannot be bought stands. */
    public enum State {
        UNTESTED,
        /** Something speaks against it, and its lead-outs or a further test may clear it. */
        DOUBTFUL,
        SOUND,
        LOST
    }

    /**
     * A part that cannot be bought.
     *
     * @param subject what a test of it is kept under: its reference, or its name
     * @param why what its state rests on, or how it is tested
     */
    public record Rare(String subject, String name, State state, String why) {}

    private static final String PLAN = "plan";
    /** Jobs of which the plan of new parts says more. */
    private static final List<String> IN_THE_PLAN =
            List.of("recap_paper", "recap_electrolytic", "capacitor", "electrolytic", "resistor");

    private static final Map<String, String> HOW = Map.of(
            "power transformer", "ohms of every winding, then a low voltage fed into the primary",
            "output transformer", "ohms of the primary, then a tone from the plate side heard at the speaker",
            "field coil", "its ohms, cold",
            "vibrator", "click and buzz on a bench supply with a limit",
            "motor", "winding ohms, and a turn by hand",
            "coils and IF cans", "ohms of each winding",
            "autotransformer", "ohms between the taps");

    /**
     * What the plan of new parts comes to.
     *
     * @param parts how many go in
     * @param hours at the bench for them
     * @param price of those that have one, in the shop's money
     * @param unpriced what those that have none are, by the job such a part usually is
     */
    public record Planned(int parts, double hours, BigDecimal price, List<Usual> unpriced) {
        /** A part that is taken at what its kind usually costs. The names are those of the estimates. */
        public enum Usual {
            RECAP_PAPER,
            RECAP_ELECTROLYTIC,
            RESISTOR,
            TUBE,
            SWITCH
        }

        /** Nothing is planned, or nothing of it has a price yet: usual figures stand. */
        public static final Planned NOTHING = new Planned(0, 0, BigDecimal.ZERO, List.of());

        private boolean tells() {
            return parts > unpriced.size();
        }
    }

    /**
     * Reckons it for a set as it stands, with the plan of new parts in the place of usual figures where it has prices.
     */
    public static Worth of(SetFile file, Planned planned) {
        return of(
                file.set(),
                file.contents().extras(),
                ArrivalArea.state(file).inspection(),
                file.log(),
                file.policy(),
                file.ledger(),
                planned);
    }

    static Worth of(
            BenchSet set,
            Set<Extra> extras,
            Inspection inspection,
            EvidenceLog journal,
            HousePolicy policy,
            Ledger ledger,
            Planned planned) {
        WorthSaid said = journal.latest(WorthSaid.class).orElse(WorthSaid.NOTHING);
        List<Rare> rare = rare(set, extras, ledger);
        Map<String, Integer> jobs = jobs(set, inspection, journal);
        int lost = (int) rare.stream().filter(r -> r.state() == State.LOST).count();
        if (lost > 0) {
            jobs.put("lost", lost);
        }
        Optional<Line> plan = planned.tells() ? Optional.of(planned(planned, said, policy)) : Optional.empty();
        if (plan.isPresent()) {
            jobs.keySet().removeAll(IN_THE_PLAN);
        }
        List<Line> lines = Stream.concat(
                        plan.stream(),
                        jobs.entrySet().stream().map(job -> line(job.getKey(), job.getValue(), said, policy)))
                .sorted(Comparator.comparing(Line::cost).reversed())
                .toList();
        double hours = lines.stream().mapToDouble(Line::hours).sum();
        BigDecimal parts = lines.stream().map(Line::price).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal work = money(hours, policy.hourRate());
        BigDecimal total = work.add(parts);
        BigDecimal ceiling = said.value().add(said.sentiment());
        BigDecimal oneMore = line("lost", 1, said, policy).cost();
        List<Rare> untested =
                rare.stream().filter(r -> r.state() == State.UNTESTED).toList();
        String money = policy.money();
        List<String> sum = List.of(
                print(hours) + " h × " + sum(policy.hourRate(), money) + " = " + sum(work, money),
                "parts: " + sum(parts, money),
                "together: " + sum(total, money),
                "worth " + sum(said.value(), money) + " + sentiment " + sum(said.sentiment(), money) + " = "
                        + sum(ceiling, money));
        Verdict verdict = !said.known()
                ? Verdict.SAY_WORTH
                : total.compareTo(ceiling) > 0
                        ? Verdict.STOP
                        : !untested.isEmpty()
                                        && total.add(oneMore.multiply(BigDecimal.valueOf(Math.min(2, untested.size()))))
                                                        .compareTo(ceiling)
                                                > 0
                                ? Verdict.TEST_FIRST
                                : Verdict.GO;
        return new Worth(
                lines,
                rare,
                hours,
                parts,
                total,
                ceiling,
                verdict,
                reason(verdict, total, ceiling, oneMore, lost, untested, money),
                sum);
    }

    private static String reason(
            Verdict verdict,
            BigDecimal total,
            BigDecimal ceiling,
            BigDecimal oneMore,
            int lost,
            List<Rare> untested,
            String money) {
        return switch (verdict) {
            case SAY_WORTH ->
                "The plan so far comes to " + sum(total, money) + ". Say what the set is worth to decide.";
            case STOP ->
                "Stop: the plan comes to " + sum(total, money) + " against " + sum(ceiling, money) + ", "
                        + sum(total.subtract(ceiling), money) + " too much"
                        + (lost > 0
                                ? ", with " + lost + " part" + (lost > 1 ? "s" : "") + " that cannot be bought."
                                : ".");
            case TEST_FIRST ->
                "Test "
                        + untested.stream()
                                .limit(2)
                                .map(Rare::name)
                                .collect(Collectors.joining(" and the ", "the ", ""))
                        + " first: the plan comes to " + sum(total, money) + " of " + sum(ceiling, money)
                        + ", and each that is lost adds " + sum(oneMore, money) + ".";
            case GO ->
                "Go on: the plan comes to " + sum(total, money) + ", " + sum(ceiling.subtract(total), money)
                        + " under what it is worth"
                        + (untested.isEmpty()
                                ? "."
                                : ", even if "
                                        + (untested.size() == 1
                                                ? "the part that cannot be bought is"
                                                : "two of the parts that cannot be bought are")
                                        + " lost.");
        };
    }

    private static Line line(String job, int count, WorthSaid said, HousePolicy policy) {
        Estimates.Estimate usual = Estimates.of(job);
        double each = said.hours().getOrDefault(job, usual.hours());
        BigDecimal price = said.prices().getOrDefault(job, usual.price());
        return new Line(
                job,
                usual.label(),
                count,
                each,
                price,
                count * each,
                price.multiply(BigDecimal.valueOf(count)),
                money(count * each, policy.hourRate()).add(price.multiply(BigDecimal.valueOf(count))));
    }

    /** A part without a price is taken at what its kind usually costs. */
    private static Line planned(Planned planned, WorthSaid said, HousePolicy policy) {
        BigDecimal usual = planned.unpriced.stream()
                .map(one -> Estimates.of(one.name().toLowerCase(Locale.ROOT)).price())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        double each = said.hours().getOrDefault(PLAN, planned.hours / planned.parts);
        BigDecimal all = Optional.ofNullable(said.prices().get(PLAN))
                .map(price -> price.multiply(BigDecimal.valueOf(planned.parts)))
                .orElseGet(() -> planned.price.add(usual));
        double hours = each * planned.parts;
        return new Line(
                PLAN,
                "New parts by the plan"
                        + (planned.unpriced.isEmpty()
                                ? ""
                                : ", " + planned.unpriced.size() + " of them at a usual price"),
                planned.parts,
                each,
                all.divide(BigDecimal.valueOf(planned.parts), 2, RoundingMode.HALF_EVEN),
                hours,
                all,
                money(hours, policy.hourRate()).add(all));
    }

    private static Map<String, Integer> jobs(BenchSet set, Inspection inspection, EvidenceLog journal) {
        Map<String, Integer> jobs = new LinkedHashMap<>();
        java.util.Set<String> replaced = journal.standing(PartReplaced.class).stream()
                .map(s -> s.fact().part().toUpperCase(Locale.ROOT))
                .collect(Collectors.toSet());
        set.parts().stream()
                .filter(part -> part.card().letter() == 'C'
                        && !replaced.contains(part.reference().toUpperCase(Locale.ROOT)))
                .forEach(part -> {
                    switch (part.card().kind()) {
                        case "paper", "wax" -> jobs.merge("recap_paper", 1, Integer::sum);
                        case "electrolytic" -> jobs.merge("recap_electrolytic", 1, Integer::sum);
                        default -> {}
                    }
                });
        boolean papers = jobs.containsKey("recap_paper");
        boolean cans = jobs.containsKey("recap_electrolytic");
        inspection.open().stream()
                .map(finding -> finding.row().job())
                .filter(job -> !(job.equals("capacitor") && papers) && !(job.equals("electrolytic") && cans))
                .forEach(job -> jobs.merge(job, 1, Integer::sum));
        jobs.put("first_power", 1);
        jobs.put("tune", 1);
        return jobs;
    }

    private static List<Rare> rare(BenchSet set, Set<Extra> extras, Ledger ledger) {
        Map<String, String> subjects = new LinkedHashMap<>();
        for (Part part : set.parts()) {
            String kind = part.card().kind();
            String words = part.description().toLowerCase(Locale.ROOT);
            if (kind.equals("transformer")) {
                subjects.put(
                        part.reference(),
                        part.description().isEmpty() ? "transformer " + part.reference() : part.description());
            } else if (words.contains("field coil") || kind.equals("vibrator")) {
                subjects.put(part.reference(), words.contains("field coil") ? "field coil" : "vibrator");
            }
        }
        boolean named = subjects.values().stream().anyMatch(name -> name.contains("output"));
        if (!named) {
            subjects.put("output transformer", "output transformer");
        }
        switch (set.construction()) {
            case MAINS_TRANSFORMER, RECORD_PLAYER -> missing(subjects, "power transformer", "power", "mains", "line");
            case AUTOTRANSFORMER -> missing(subjects, "autotransformer", "auto", "power", "line");
            case VIBRATOR -> missing(subjects, "vibrator", "vibrator");
            default -> {}
        }
        if (set.construction().player() || extras.contains(Extra.PLAYER) || extras.contains(Extra.RECORDER)) {
            subjects.put("motor", "motor");
        }
        if (!set.construction().player()) {
            subjects.put("coils and IF cans", "coils and IF cans");
        }
        List<Rare> rare = new ArrayList<>();
        subjects.forEach((subject, name) -> rare.add(rare(ledger, subject, name)));
        return List.copyOf(rare);
    }

    private static Rare rare(Ledger ledger, String subject, String name) {
        Optional<Boolean> serves = ledger.serves(subject);
        Optional<Ledger.Standing> telling = ledger.about(subject).stream()
                .filter(s -> serves.map(sound -> sound ? s.sound() : s.failed()).orElse(s.doubted()))
                .reduce((first, second) -> second);
        State state = serves.map(sound -> sound ? State.SOUND : State.LOST)
                .orElse(telling.isPresent() ? State.DOUBTFUL : State.UNTESTED);
        String how = HOW.entrySet().stream()
                .filter(entry -> name.toLowerCase(Locale.ROOT).contains(entry.getKey()))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElse("ohms of every winding");
        return new Rare(subject, name, state, telling.map(Ledger.Standing::says).orElse(how));
    }

    private static void missing(Map<String, String> subjects, String name, String... words) {
        boolean there = subjects.values().stream()
                .anyMatch(known -> java.util.Arrays.stream(words).anyMatch(known.toLowerCase(Locale.ROOT)::contains));
        if (!there) {
            subjects.put(name, name);
        }
    }

    /** An amount with the shop's sign: before it when it is a single sign, behind it when it is a name. */
    private static String sum(BigDecimal amount, String money) {
        String text = print(amount.doubleValue());
        return money.length() == 1 ? money + text : text + " " + money;
    }

    /** Hours at a rate, to the hundredth. */
    private static BigDecimal money(double hours, BigDecimal rate) {
        return rate.multiply(BigDecimal.valueOf(hours)).setScale(2, RoundingMode.HALF_EVEN);
    }

    private static String print(double value) {
        return Math.abs(value) >= 100 || value == Math.rint(value)
                ? String.valueOf(Math.round(value))
                : String.format(Locale.ROOT, "%.1f", value).replaceAll("\\.0$", "");
    }
}
