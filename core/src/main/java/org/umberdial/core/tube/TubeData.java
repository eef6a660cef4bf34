package org.umberdial.core.tube;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.umberdial.core.value.InvalidEntry;

/** Published tube data: what ships with the application, and what a shop has added to it. */
public final class TubeData {
    /** Names are typed by anybody: longer ones are none, and only so many are remembered. */
    private static final int LONGEST_NAME = 24;

    private static final int MOST_ASKED = 5_000;
    private static final double ORDINARY_WARM_UP_SECONDS = 14;
    private static final TubeData SHIPPED = load();

    private final Map<String, TubeType> types;
    /** Other names, plain, to the plain name of a type. */
    private final Map<String, String> aliases;
    /** By family, the types that differ in the heater alone. */
    private final Map<String, List<TubeType>> families = new HashMap<>();
    /** What was asked for under a name that is not a type's own. */
    private final Map<String, TubeType> asked = new ConcurrentHashMap<>();

    private TubeData(Map<String, TubeType> types, Map<String, String> aliases) {
        this.types = types;
        this.aliases = aliases;
        types.values().stream()
                .filter(type -> !TubeNames.family(type.name()).isEmpty())
                .forEach(type -> families.computeIfAbsent(TubeNames.family(type.name()), key -> new ArrayList<>())
                        .add(type));
    }

    public static TubeData shipped() {
        return SHIPPED;
    }

    /** This data and types a shop knows itself; one that is listed by this name is replaced. */
    public TubeData with(List<OwnTube> tubes) {
        Map<String, TubeType> merged = new LinkedHashMap<>(types);
        tubes.forEach(tube -> merged.put(tube.name(), tube.type()));
        return new TubeData(merged, aliases);
    }

    /** How many names are known: types and what else they are called. */
    public int names() {
        return types.size() + aliases.size();
    }

    public Collection<TubeType> types() {
        return types.values();
    }

    /**
     * A type by its name or any name it goes by: equivalents, bulb and issue suffixes, military numbers, and as a last
     * resort a relative of its heater family.
     *
     * @param type with or without a section suffix
     */
    public Optional<TubeType> type(String type) {
        String plain = TubeNames.plain(bare(type));
        TubeType own = types.get(plain);
        if (own != null || plain.length() > LONGEST_NAME) {
            return Optional.ofNullable(own);
        }
        TubeType before = asked.get(plain);
        if (before != null) {
            return Optional.of(before);
        }
        Optional<TubeType> found = found(plain);
        if (asked.size() < MOST_ASKED) {
            found.ifPresent(known -> asked.put(plain, known));
        }
        return found;
    }

    private Optional<TubeType> found(String name) {
        for (String candidate : TubeNames.candidates(name)) {
            TubeType type = types.get(aliases.getOrDefault(candidate, candidate));
            if (type != null) {
                return Optional.of(type);
            }
        }
        return TubeNames.candidates(name).stream()
                .flatMap(candidate -> relative(candidate).stream())
                .findFirst();
    }

    /**
     * A type nobody listed, from one that differs in the heater alone. European output tubes of one number are too
     * often another design (EL84 and UL84).
     */
    private Optional<TubeType> relative(String name) {
        return families.getOrDefault(TubeNames.family(name), List.of()).stream()
                .filter(type -> type.heaterWatts().isPresent() && !type.isDirectlyHeated())
                .filter(type -> Character.isDigit(name.charAt(0))
                        || type.use() != TubeUse.OUTPUT && type.use() != TubeUse.TRIODE_OUTPUT)
                .findFirst()
                .map(type -> {
                    double[] heater = TubeNames.heater(name, type.heaterWatts().getAsDouble());
                    return new TubeType(
                            name,
                            type.use(),
                            OptionalDouble.of(heater[0]),
                            OptionalDouble.of(heater[1]),
                            type.base(),
                            type.pinout(),
                            type.limits(),
                            type.warmUp(),
                            type.warmUpSeconds(),
                            type.heaterTap(),
                            List.of(type.name()),
                            Confidence.LOW,
                            "not listed; taken as " + type.name() + " with the heater its number says",
                            type.points().stream().map(TubePoint::unsure).toList());
                });
    }

    /** Whether a shop brought the figures of a type itself, or has others in place of those that ship. */
    public boolean isOwn(String type) {
        return this != SHIPPED
                && type(type)
                        .filter(known -> SHIPPED.type(known.name())
                                .filter(shipped -> shipped == known)
                                .isEmpty())
                        .filter(known -> types.containsValue(known))
                        .isPresent();
    }

    public boolean knows(String type) {
        return type(type).isPresent();
    }

    /** Types that only rectify. */
    public boolean isRectifier(String type) {
        return type(type).filter(TubeType::isRectifier).isPresent();
    }

    /**
     * The section a card of this type means: by its suffix, else by how many nodes it has. Three nodes are a triode,
     * but the two plates and the cathode of a rectifier.
     */
    public Optional<Section> section(String type, int nodes) {
        boolean heater = suffix(type).equals("H");
        return nodes == 3 && !heater && isRectifier(type)
                ? Optional.of(Section.FULL_WAVE)
                : Section.of(suffix(type), nodes);
    }

    /** Every operating point of a section of a type, the main one first. */
    public List<TubePoint> points(String type, Section section) {
        return type(type).map(TubeType::points).orElse(List.of()).stream()
                .filter(point -> belongs(point.kind(), section))
                .toList();
    }

    /** The type's main published point of a section. */
    public Optional<TubePoint> mainPoint(String type, Section section) {
        return points(type, section).stream().findFirst();
    }

    /** A type without the suffix that names a section: {@code 12AV6_T} is a {@code 12AV6}. */
    public static String bare(String type) {
        int underscore = type.lastIndexOf('_');
        return underscore > 0 ? type.substring(0, underscore) : type;
    }

    /** The suffix that names a section, empty when there is none. */
    public static String suffix(String type) {
        int underscore = type.lastIndexOf('_');
        return underscore > 0 ? type.substring(underscore + 1) : "";
    }

    private static boolean belongs(String kind, Section section) {
        return switch (section) {
            case TRIODE -> kind.equals("triode");
            case PENTODE -> kind.equals("pentode") || kind.equals("beam");
            case HEPTODE -> kind.equals("heptode");
            case DIODE, FULL_WAVE -> kind.equals("rectifier");
            case HEATER, TAPPED_HEATER -> true;
        };
    }

    private static TubeData load() {
        List<Map<String, String>> named = TubeTable.rows("tube-names.csv");
        Map<String, Map<String, String>> byName = new LinkedHashMap<>();
        named.forEach(row -> byName.put(row.get("type").toUpperCase(Locale.ROOT), row));
        Map<String, TubeType> types = new LinkedHashMap<>(read(TubeTable.rows("tube-points.csv"), byName));
        byName.forEach((name, row) -> types.putIfAbsent(TubeNames.plain(name), type(name, List.of(), row)));
        return new TubeData(types, aliases(named, types));
    }

    /**
     * What types are also called; a type's own name always means itself, and the first to claim another name has it.
     */
    private static Map<String, String> aliases(List<Map<String, String>> named, Map<String, TubeType> listed) {
        Set<String> types = listed.keySet();
        Map<String, String> aliases = new LinkedHashMap<>();
        for (Map<String, String> row : named) {
            String type = TubeNames.plain(row.get("type"));
            List<String> others = new ArrayList<>(List.of(row.get("equivalents").split("\\|")));
            if (row.get("type").matches("\\d\\w*/\\d\\w*")) {
                others.addAll(List.of(row.get("type").split("/")));
            }
            others.stream()
                    .map(TubeNames::plain)
                    .forEach(other -> claim(aliases, types, other, home(other, type, listed)));
        }
        for (Map<String, String> row : TubeTable.rows("vt.csv")) {
            claim(aliases, types, TubeNames.plain(row.get("vt")), TubeNames.plain(row.get("type")));
        }
        types.forEach(type -> TubeNames.stems(type).forEach(stem -> claim(aliases, types, stem, type)));
        aliases.replaceAll((name, type) -> types.contains(type) ? type : aliases.getOrDefault(type, type));
        aliases.values().removeIf(type -> !types.contains(type));
        return aliases;
    }

    /** Where a relative says 6SN7GT, a 6SN7 that is listed and made for the same is meant, not the relative. */
    private static String home(String other, String type, Map<String, TubeType> listed) {
        return TubeNames.stems(other).stream()
                .filter(stem -> listed.containsKey(stem)
                        && listed.containsKey(type)
                        && listed.get(stem).use() == listed.get(type).use())
                .findFirst()
                .orElse(type);
    }

    private static void claim(Map<String, String> aliases, Set<String> types, String name, String type) {
        if (!name.isEmpty() && !types.contains(name)) {
            aliases.putIfAbsent(name, type);
        }
    }

    private static Map<String, TubeType> read(
            List<Map<String, String>> points, Map<String, Map<String, String>> named) {
        Map<String, List<Map<String, String>>> byType = new LinkedHashMap<>();
        for (Map<String, String> row : points) {
            byType.computeIfAbsent(row.get("type").toUpperCase(Locale.ROOT), type -> new ArrayList<>())
                    .add(row);
        }
        Map<String, TubeType> types = new LinkedHashMap<>();
        byType.forEach((name, rows) ->
                types.put(TubeNames.plain(name), type(name, rows, named.getOrDefault(name, rows.get(0)))));
        return types;
    }

    /** @param named what is known beside the points; for a shop's own type its first row */
    static TubeType type(String name, List<Map<String, String>> rows, Map<String, String> named) {
        String seconds = named.getOrDefault("seconds", "");
        String sisters = named.getOrDefault("equivalents", "");
        String warmUp = named.getOrDefault("warm_up", "");
        return new TubeType(
                name,
                use(rows, named),
                cell(named, "heater_V", 1),
                cell(named, "heater_A", 1),
                named.getOrDefault("base", ""),
                named.getOrDefault("pinout", ""),
                limits(rows),
                warmUp.isEmpty() ? "indirect" : warmUp,
                seconds.isEmpty() ? ORDINARY_WARM_UP_SECONDS : Double.parseDouble(seconds),
                cell(named, "tap_fraction", 1),
                sisters.isEmpty() ? List.of() : List.of(sisters.split("\\|")),
                Confidence.of(named.getOrDefault("confidence", "")),
                named.getOrDefault("note", ""),
                points(rows));
    }

    /** A shop's own row may leave its class out; then its section says what it can do. */
    private static TubeUse use(List<Map<String, String>> rows, Map<String, String> named) {
        TubeUse use = TubeUse.of(named.getOrDefault("class", ""));
        String section =
                rows.isEmpty() ? "" : rows.get(0).getOrDefault("section", "").toLowerCase(Locale.ROOT);
        return use != TubeUse.OTHER || named.containsKey("class")
                ? use
                : switch (section) {
                    case "triode" -> TubeUse.TRIODE;
                    case "pentode" -> TubeUse.PENTODE_SHARP;
                    case "beam" -> TubeUse.OUTPUT;
                    case "heptode" -> TubeUse.CONVERTER_PENTAGRID;
                    case "rectifier" ->
                        named.getOrDefault("pinout", "").contains("p2")
                                ? TubeUse.RECTIFIER_FULL
                                : TubeUse.RECTIFIER_HALF;
                    default -> TubeUse.OTHER;
                };
    }

    /** Limits stand in the row of the section they are for. */
    private static TubeLimits limits(List<Map<String, String>> rows) {
        return new TubeLimits(
                first(rows, "Pa_max_W", 1),
                first(rows, "Va_max", 1),
                first(rows, "rect_Idc_max_mA", 1e-3),
                first(rows, "rect_Vac_rms_max", 1),
                first(rows, "rect_drop_V", 1),
                first(rows, "rect_drop_at_mA", 1e-3),
                first(rows, "rect_C_max_uF", 1e-6),
                first(rows, "rect_Rs_min_ohm", 1));
    }

    private static OptionalDouble first(List<Map<String, String>> rows, String column, double factor) {
        return rows.stream()
                .map(row -> cell(row, column, factor))
                .filter(OptionalDouble::isPresent)
                .findFirst()
                .orElse(OptionalDouble.empty());
    }

    /** Zero-bias points of a class B triode stand for it where no other is published. */
    private static List<TubePoint> points(List<Map<String, String>> rows) {
        boolean classA =
                rows.stream().anyMatch(row -> row.getOrDefault("section", "").equals("triode"));
        return rows.stream()
                .map(TubeData::point)
                .filter(point -> !point.kind().equals("triode_class_b") || !classA)
                .map(point -> point.kind().equals("triode_class_b") ? point.of("triode") : point)
                .toList();
    }

    private static TubePoint point(Map<String, String> row) {
        return new TubePoint(
                row.get("type").toUpperCase(Locale.ROOT),
                kind(row.getOrDefault("section", "").toLowerCase(Locale.ROOT)),
                (int) cell(row, "point", 1).orElse(1),
                cell(row, "Va", 1),
                cell(row, "Vg2", 1),
                cell(row, "Vg1", 1),
                cell(row, "Vg3", 1),
                cell(row, "Ia_mA", 1e-3),
                cell(row, "Ig2_mA", 1e-3),
                cell(row, "Ig1_mA", 1e-3),
                cell(row, "gm_mA_V", 1e-3),
                cell(row, "rp_kohm", 1e3),
                cell(row, "mu", 1),
                cell(row, "Pa_max_W", 1),
                cell(row, "Va_max", 1),
                Confidence.of(row.getOrDefault("confidence", "")));
    }

    /** A screen-grid tube and a hexode work as a pentode and a heptode do, as far as direct currents go. */
    private static String kind(String section) {
        return switch (section) {
            case "tetrode" -> "pentode";
            case "hexode" -> "heptode";
            default -> section;
        };
    }

    private static OptionalDouble cell(Map<String, String> row, String column, double factor) {
        String text = row.getOrDefault(column, "");
        try {
            return text.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(text) * factor);
        } catch (NumberFormatException e) {
            throw new InvalidEntry(
                    InvalidEntry.Code.NOT_A_NUMBER,
                    "tube data, type " + row.get("type") + ": \"" + text + "\" in column " + column
                            + " is not a number; write it plainly, such as 1.2.");
        }
    }
}
