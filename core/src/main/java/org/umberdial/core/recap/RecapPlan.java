package org.umberdial.core.recap;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.catalogue.CapacitorItem;
import org.umberdial.core.catalogue.Catalogue;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.parts.CapacitorKind;
import org.umberdial.core.parts.Decision;
import org.umberdial.core.parts.PartRow;
import org.umberdial.core.parts.PartsLedger;
import org.umberdial.core.policy.School;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Can;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.tube.Transistors;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * Everything that goes into a set, part by part.
 *
 * @param renewals of the parts that are replaced, in the ledger's order
 * @param cans what new sections need of their old can
 * @param needs how many of each item are still wanted, by the name it is ordered under
 */
public record RecapPlan(List<Renewal> renewals, List<CanFit> cans, Map<String, Integer> needs) {
    /**
     * @param sections references of those that are renewed
     * @param millimetres inner diameter that holds them side by side; 0 when one of them has no new part
     */
    public record CanFit(String can, List<String> sections, double millimetres, String sentence) {}

    /** Vents and the heat of the next part ask for some room beside the bare circles. */
    private static final double ROOM = 1.05;

    private static final int MOST_EXPECTED = 3;
    private static final int MOST_SISTERS = 6;

    /** Reckoned once for a set's file. */
    public static RecapPlan of(SetFile file) {
        return file.once(
                RecapPlan.class, () -> new Planner(file, file.contents().catalogue()).plan());
    }

    private static final class Planner {
        private final SetFile file;
        private final BenchSet set;
        private final Catalogue catalogue;
        private final Strain strain;
        private final PartRoles roles;
        private final Fitting fitting;
        private final Map<String, CapacitorItem> chosen = new TreeMap<>();

        Planner(SetFile file, Catalogue catalogue) {
            this.file = file;
            this.set = file.set();
            this.catalogue = catalogue;
            this.strain = Strain.of(set);
            this.roles = new PartRoles(set.cards(), set.tubes().data());
            this.fitting = new Fitting(file, roles);
        }

        RecapPlan plan() {
            List<Renewal> renewals = PartsLedger.rows(file).stream()
                    .filter(row -> row.decision() == Decision.REPLACE)
                    .map(this::renewal)
                    .toList();
            Map<String, Integer> needs = new TreeMap<>();
            // A part as such sets usually have it is not bought on that: its own mark decides.
            renewals.stream()
                    .filter(r -> known(r.row().reference()))
                    .forEach(r -> r.items().forEach(item -> needs.merge(item, 1, Integer::sum)));
            return new RecapPlan(renewals, cans(), needs);
        }

        private boolean known(String reference) {
            return set.part(reference).filter(Part::unconfirmed).isEmpty();
        }

        private Renewal renewal(PartRow row) {
            Part part = set.part(row.reference()).orElseThrow();
            return switch (row.kind()) {
                case CAPACITOR, ELECTROLYTIC -> capacitor(row, part);
                case RESISTOR -> resistor(row, part);
                case TUBE -> tube(row, part);
                default ->
                    new Renewal(
                            row, List.of(), "", other(part), List.of(), fitting.steps(row, part, false), expect(part));
            };
        }

        private Renewal capacitor(PartRow row, Part part) {
            Optional<NetworkRole> role = roles.role(row.reference());
            boolean line = row.place().line()
                    || role.filter(r -> r == NetworkRole.LINE_BYPASS_CAPACITOR).isPresent();
            boolean metal = line && toMetal(part);
            CapacitorChoice.Chosen choice = part.workingValue().isEmpty()
                    ? new CapacitorChoice.Chosen(
                            Optional.empty(),
                            List.of("Its value is not known: read its mark or measure it."),
                            List.of())
                    : CapacitorChoice.choose(
                            catalogue,
                            file.policy(),
                            new CapacitorChoice.Wanted(
                                    CapacitorKind.of(part.card()),
                                    role,
                                    part.workingValue().get(),
                                    part.ratingVolts().map(OptionalDouble::of).orElse(OptionalDouble.empty()),
                                    swings(part) ? swing() : strain.peakVolts(part),
                                    metal,
                                    line && !metal,
                                    swings(part),
                                    reservoir(role),
                                    file.contents().bench().lineVolts(),
                                    file.policy().lineHertz()));
            List<String> cautions = new ArrayList<>(choice.cautions());
            polarity(row, part).ifPresent(cautions::add);
            choice.item().flatMap(item -> ripple(item, part)).ifPresent(cautions::add);
            unsure(part).ifPresent(cautions::add);
            choice.item().ifPresent(item -> chosen.put(row.reference(), item));
            return new Renewal(
                    row,
                    choice.item().map(CapacitorItem::name).stream().toList(),
                    "",
                    choice.why(),
                    cautions,
                    fitting.steps(row, part, false),
                    expect(part));
        }

        /** Whether it is at an output tube's plate, where the transformer answers with more than the supply. */
        private boolean swings(Part part) {
            return set.parts().stream()
                    .filter(tube -> roles.role(tube.reference())
                            .filter(r -> r == NetworkRole.OUTPUT_TUBE)
                            .isPresent())
                    .anyMatch(tube -> part.nodes().contains(tube.nodes().get(0)));
        }

        private OptionalDouble swing() {
            OptionalDouble supply = strain.highestVolts();
            return supply.isPresent() ? OptionalDouble.of(2 * supply.getAsDouble()) : supply;
        }

        /**
         * In a set whose rail is the line the metal is another node; in any other the chassis is what a hand touches.
         */
        private boolean toMetal(Part part) {
            return part.nodes().contains("chassis")
                    || !set.construction().liveChassis() && part.nodes().contains("0");
        }

        private OptionalDouble reservoir(Optional<NetworkRole> role) {
            if (role.filter(r -> r == NetworkRole.RESERVOIR_CAPACITOR).isEmpty()) {
                return OptionalDouble.empty();
            }
            return set.parts().stream()
                    .filter(set::isRectifier)
                    .flatMap(part ->
                            set.tubes().data().type(TubeData.bare(part.card().model())).stream())
                    .map(type -> type.limits().reservoirFarads())
                    .filter(OptionalDouble::isPresent)
                    .mapToDouble(OptionalDouble::getAsDouble)
                    .min();
        }

        /** Which end is plus, where it is not plainly the one away from the chassis. */
        private Optional<String> polarity(PartRow row, Part part) {
            if (row.kind() != PartRow.Kind.ELECTROLYTIC) {
                return Optional.empty();
            }
            String plus = part.nodes().get(0);
            String minus = part.nodes().get(1);
            if (plus.equals("0")) {
                return Optional.of("Its plus goes to the " + set.nameOf("0") + ": this rail is negative.");
            }
            return minus.equals("0")
                    ? Optional.empty()
                    : Optional.of("Its minus goes to " + set.nameOf(minus) + ", which is not the chassis.");
        }

        /** A warning only: the table's figures are of ordinary parts, not of this maker's. */
        private Optional<String> ripple(CapacitorItem item, Part part) {
            double carries = strain.rippleAmperes(part).orElse(0);
            double stands = item.rippleAmperes().orElse(Double.POSITIVE_INFINITY);
            return carries <= stands
                    ? Optional.empty()
                    : Optional.of("It carries " + Engineering.print(carries, Unit.AMPERE)
                            + " of ripple in this circuit; an ordinary part of its size stands about "
                            + Engineering.print(stands, Unit.AMPERE) + ". Look its figure up, or take a larger one.");
        }

        private static Optional<String> unsure(Part part) {
            return part.unconfirmed()
                    ? Optional.of(
                            "Its value is as such sets usually have it. It comes on the shopping list once it is compared with this set's own.")
                    : Optional.empty();
        }

        private Renewal resistor(PartRow row, Part part) {
            if (part.workingValue().isEmpty()) {
                return new Renewal(
                        row,
                        List.of(),
                        "",
                        List.of("Its value is not known."),
                        List.of(),
                        fitting.steps(row, part, false),
                        expect(part));
            }
            ResistorChoice.Chosen choice = ResistorChoice.choose(
                    catalogue,
                    file.policy().wattsMargin(),
                    new ResistorChoice.Wanted(
                            part.workingValue().get(),
                            part.tolerance(),
                            part.ratingWatts().map(OptionalDouble::of).orElse(OptionalDouble.empty()),
                            strain.watts(part),
                            strain.workingVolts(part),
                            roles.role(row.reference())));
            List<String> cautions = new ArrayList<>(choice.cautions());
            unsure(part).ifPresent(cautions::add);
            return new Renewal(
                    row,
                    choice.items(),
                    choice.how(),
                    choice.why(),
                    cautions,
                    fitting.steps(row, part, choice.hot()),
                    expect(part));
        }

        private Renewal tube(PartRow row, Part part) {
            String type = TubeData.bare(part.card().model());
            Optional<TubeType> known = set.tubes().data().type(type);
            List<String> sisters = known.map(TubeType::sisters).orElse(List.of()).stream()
                    .limit(MOST_SISTERS)
                    .map(sister ->
                            sister + differs(known.get(), set.tubes().data().type(sister)))
                    .toList();
            return new Renewal(
                    row,
                    List.of(type),
                    "",
                    sisters.isEmpty() ? List.of() : List.of("Electrically alike: " + String.join("; ", sisters) + "."),
                    List.of(),
                    fitting.steps(row, part, false),
                    expect(part));
        }

        /**
         * What another has to be looked at for before it goes in: {@code , base octal}, {@code , heater 6.3 V, 0.3 A}.
         */
        private static String differs(TubeType type, Optional<TubeType> sister) {
            if (sister.isEmpty()) {
                return ", base and heater not known here";
            }
            String base = sister.get().base();
            String heater = sister.get().heater();
            return (base.isEmpty() || base.equals(type.base()) ? "" : ", base " + base)
                    + (heater.isEmpty() || heater.equals(type.heater()) ? "" : ", heater " + heater);
        }

        private List<String> other(Part part) {
            if (part.card().letter() != 'Q') {
                return List.of(
                        part.card().kind().equals("pot")
                                ? "No table knows what replaces it; its value, taper, tap and shaft decide."
                                : "No table knows what replaces it; its ratings decide.");
            }
            List<String> others = Transistors.substitutes(part.card().model());
            return List.of(
                    others.isEmpty()
                            ? "No table knows what replaces it: same material and polarity, no lower in volts, amperes and "
                                    + "frequency."
                            : "In its place by the tables: " + String.join(", ", others)
                                    + ". Same polarity; its bias may want to be set again.");
        }

        /** What stands at the part's points in the healthy set, on its own line. */
        private String expect(Part part) {
            String mode = file.contents().bench().mode();
            Optional<HealthySet> healthy = HealthySet.of(set, mode);
            if (healthy.isEmpty()) {
                return "";
            }
            return set.testPoints().stream()
                    .filter(point -> part.nodes().contains(point.node()))
                    .flatMap(point -> expected(healthy.get(), point).stream())
                    .limit(MOST_EXPECTED)
                    .collect(Collectors.joining(", "));
        }

        private static Optional<String> expected(HealthySet healthy, TestPoint point) {
            OptionalDouble volts = healthy.volts(point.node(), healthy.nominalLine());
            return volts.isPresent()
                    ? Optional.of(point.name() + " " + Engineering.print(volts.getAsDouble(), Unit.VOLT))
                    : Optional.empty();
        }

        private List<CanFit> cans() {
            return Can.of(set).stream().map(this::fit).flatMap(Optional::stream).toList();
        }

        private Optional<CanFit> fit(Can can) {
            List<String> sections = can.sections().stream()
                    .map(Can.Section::reference)
                    .filter(chosen::containsKey)
                    .toList();
            if (sections.isEmpty()) {
                return Optional.empty();
            }
            double[] diameters = sections.stream()
                    .mapToDouble(s -> chosen.get(s).diameterMillimetres())
                    .toArray();
            double inner = ROOM * CirclePacking.enclosing(diameters);
            String sentence = file.policy().schools().follow(School.RESTUFF)
                    ? String.format(
                            Locale.ROOT,
                            "Inside the can the new ones need %.0f mm across, with room for their heat. Their vents point to "
                                    + "the free end; measure each lug again before it goes back.",
                            inner)
                    : file.policy().schools().follow(School.NEW_CAN)
                            ? "A new can of these sections, where one is made; else the new parts go below."
                            : "The can stays for looks, every section disconnected at both ends.";
            return Optional.of(new CanFit(can.name(), sections, inner, can.remark() + " " + sentence));
        }
    }
}
