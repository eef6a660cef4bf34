package org.umberdial.core.role;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.SpiceNumber;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;

/**
 * Finds what each part does from what it joins. A key {@code job=plate_load} of a part overrides what is found; names
 * of nodes do not count.
 */
public final class PartRoles {
    private static final double FILTER_FARADS = 1e-6;
    private static final double CONTACT_BIAS_OHMS = 3e6;
    private static final double STOPPER_OHMS = 100e3;
    /** A resistor in the line lead has no more. */
    private static final double FUSIBLE_OHMS = 50;

    private static final double FIELD_OHMS = 550;
    private static final double CHOKE_HENRIES = 0.5;

    /** An electrode of a tube at a node. */
    private record Seat(Card tube, Section section, Electrode electrode) {}

    private final List<Card> cards;
    private final Nets nets;
    private final Map<String, List<Seat>> seats = new HashMap<>();
    private final Set<String> lineSide = new HashSet<>();
    private final Map<String, NetworkRole> found = new LinkedHashMap<>();
    private final Map<String, String> of = new HashMap<>();

    public PartRoles(List<Card> cards, TubeData tubes) {
        this.cards = cards;
        this.nets = new Nets(cards, tubes);
        for (Card card : cards) {
            nets.section(card).ifPresent(section -> {
                for (int i = 0; i < card.nodes().size(); i++) {
                    seats.computeIfAbsent(card.nodes().get(i), n -> new ArrayList<>())
                            .add(new Seat(card, section, section.electrodes().get(i)));
                }
            });
        }
        line();
        cards.forEach(this::find);
    }

    /** What a part does; empty where the network does not say. */
    public Optional<NetworkRole> role(String reference) {
        return Optional.ofNullable(found.get(reference));
    }

    /** The role with the tube it serves, such as {@code plate load of V3}; empty where the network does not say. */
    public Optional<String> phrase(String reference) {
        return role(reference)
                .map(role -> role.label()
                        + Optional.ofNullable(of.get(reference))
                                .map(tube -> " of " + tube)
                                .orElse(""));
    }

    /** What people call the tube a part serves; empty where the network does not say. */
    public Optional<String> tube(String reference) {
        return Optional.ofNullable(of.get(reference));
    }

    private void find(Card card) {
        if (card.nodes().contains("chassis")) {
            // The bond between metal and rail is no stage's.
            return;
        }
        Optional<NetworkRole> said = card.key("job").flatMap(NetworkRole::of);
        Optional<NetworkRole> role = said.isPresent()
                ? said
                : switch (card.letter()) {
                    case 'R' -> resistor(card);
                    case 'C' -> capacitor(card);
                    case 'L' -> coil(card);
                    case 'D' ->
                        Optional.of(nets.rectifies(card) ? NetworkRole.RECTIFIER_SILICON : NetworkRole.DETECTOR_DIODE);
                    case 'X' -> device(card);
                    default -> Optional.empty();
                };
        role.ifPresent(one -> found.put(card.reference(), one));
    }

    private Optional<NetworkRole> resistor(Card card) {
        String a = card.nodes().get(0);
        String b = card.nodes().get(1);
        double ohms = card.value().orElse(0.0);
        if (card.kind().equals("switch")) {
            return Optional.of(
                    card.key("closed").isPresent() || !lineSide.contains(a) && !lineSide.contains(b)
                            ? NetworkRole.BAND_SWITCH_CONTACT
                            : NetworkRole.LINE_SWITCH);
        }
        if (card.kind().equals("pot")) {
            return Optional.of(control(card));
        }
        if (voiceCoil(card)) {
            return Optional.of(NetworkRole.SPEAKER_VOICE_COIL);
        }
        if (joins(card, this::isRectifierPlate, n -> lineSide.contains(n) || nets.isHeaterNode(n) || winding(n))
                && ohms <= 1000) {
            return Optional.of(NetworkRole.SURGE_RESISTOR);
        }
        if (nets.isRail(a) && nets.isRail(b)) {
            return Optional.of(
                    nets.sources().contains(a) || nets.sources().contains(b)
                            ? NetworkRole.FILTER_RESISTOR
                            : NetworkRole.DECOUPLING_RESISTOR);
        }
        if (joins(card, n -> lineSide.contains(n) || nets.isHeaterNode(n), nets::isHeaterNode)
                && !nets.isElectrode(a)
                && !nets.isElectrode(b)) {
            return Optional.of(NetworkRole.HEATER_DROPPER);
        }
        Optional<NetworkRole> atTube = resistorAtTube(card, ohms);
        if (atTube.isPresent()) {
            return atTube;
        }
        if (joins(
                card,
                this::isMinus,
                n -> nets.isGround(n) || isMinus(n) || nets.at(n).size() <= 3 && !nets.isElectrode(n) && ohms < 2e3)) {
            return Optional.of(NetworkRole.BACK_BIAS_RESISTOR);
        }
        boolean slow = nets.isSlow(a) || nets.isSlow(b);
        if (slow && ohms >= 200e3) {
            return Optional.of(NetworkRole.AVC_FILTER_RESISTOR);
        }
        if (joins(card, this::isSpeaker, n -> !nets.isGround(n))) {
            return Optional.of(NetworkRole.FEEDBACK_RESISTOR);
        }
        return ohms >= 20e3 && ohms <= 1e6 && (atSmallCoil(a) || atSmallCoil(b))
                ? Optional.of(NetworkRole.DETECTOR_LOAD)
                : Optional.empty();
    }

    private Optional<NetworkRole> resistorAtTube(Card card, double ohms) {
        for (String node : card.nodes()) {
            String other = Nets.other(card, node);
            for (Seat seat : seats.getOrDefault(node, List.of())) {
                if (!seat.section.amplifies()) {
                    continue;
                }
                boolean rail = nets.isRail(other) || behindContact(other);
                boolean ground = nets.isGround(other);
                switch (seat.electrode) {
                    case PLATE -> {
                        if (rail) {
                            return at(
                                    card,
                                    seat,
                                    oscillates(seat.tube) ? NetworkRole.OSCILLATOR_FEED : NetworkRole.PLATE_LOAD);
                        }
                    }
                    case SCREEN -> {
                        if (rail && !nets.isRail(node)) {
                            return at(card, seat, NetworkRole.SCREEN_DROPPER);
                        }
                    }
                    case CATHODE -> {
                        if ((ground || isMinus(other)) && !nets.isGround(node)) {
                            return at(card, seat, NetworkRole.CATHODE_BIAS_RESISTOR);
                        }
                    }
                    case GRID, GRID3 -> {
                        Optional<NetworkRole> grid = atGrid(card, seat, node, other, ohms);
                        if (grid.isPresent()) {
                            return at(card, seat, grid.get());
                        }
                    }
                    default -> {
                        // Heaters are no electrodes of a stage.
                    }
                }
            }
        }
        return behindStopper(card);
    }

    private Optional<NetworkRole> atGrid(Card card, Seat seat, String node, String other, double ohms) {
        boolean alone = nets.at(node).stream()
                .allMatch(c -> c == card || nets.section(c).isPresent());
        boolean away = !nets.isGround(other)
                && !nets.isSlow(other)
                && !isMinus(other)
                && !seat.tube.nodes().contains(other);
        if (alone && ohms < STOPPER_OHMS && away) {
            return Optional.of(NetworkRole.GRID_STOPPER);
        }
        boolean returns = nets.isGround(other)
                || nets.isSlow(other)
                || isMinus(other)
                || seat.tube.nodes().contains(other)
                || nets.at(other).size() <= 3 && !nets.isElectrode(other);
        if (!returns) {
            return Optional.empty();
        }
        boolean oscillating =
                seat.section == Section.HEPTODE && oscillatorGrid(seat.tube, node) || oscillates(seat.tube);
        return Optional.of(
                oscillating
                        ? NetworkRole.OSCILLATOR_GRID_LEAK
                        : ohms >= CONTACT_BIAS_OHMS ? NetworkRole.CONTACT_BIAS_GRID_LEAK : NetworkRole.GRID_LEAK);
    }

    /** The leak of a grid that has a stopper stands before the stopper. */
    private Optional<NetworkRole> behindStopper(Card card) {
        for (String node : card.nodes()) {
            String other = Nets.other(card, node);
            if (!nets.isGround(other) && !nets.isSlow(other) && !isMinus(other)) {
                continue;
            }
            for (Card stopper : nets.at(node)) {
                if (stopper == card
                        || stopper.letter() != 'R'
                        || stopper.kind().equals("pot")
                        || stopper.value().orElse(1e9) >= STOPPER_OHMS) {
                    continue;
                }
                String grid = Nets.other(stopper, node);
                for (Seat seat : seats.getOrDefault(grid, List.of())) {
                    boolean alone = nets.at(grid).size() == 2;
                    if (alone && seat.electrode == Electrode.GRID) {
                        return at(card, seat, NetworkRole.GRID_LEAK);
                    }
                }
            }
        }
        return Optional.empty();
    }

    private Optional<NetworkRole> at(Card card, Seat seat, NetworkRole role) {
        of.put(card.reference(), tube(seat.tube));
        return Optional.of(role);
    }

    private static String tube(Card card) {
        return Card.tube(card.reference());
    }

    private Optional<NetworkRole> capacitor(Card card) {
        String a = card.nodes().get(0);
        String b = card.nodes().get(1);
        double farads = card.value().orElse(0.0);
        boolean toGround = nets.isGround(a) || nets.isGround(b);
        if (joins(card, lineSide::contains, n -> nets.isGround(n) || lineSide.contains(n) || n.equals("chassis"))) {
            return Optional.of(NetworkRole.LINE_BYPASS_CAPACITOR);
        }
        if (farads >= FILTER_FARADS && joins(card, nets::isRail, n -> nets.isGround(n) || isMinus(n))) {
            String rail = nets.isRail(a) ? a : b;
            return Optional.of(filterCapacitor(rail));
        }
        for (String node : card.nodes()) {
            String other = Nets.other(card, node);
            for (Seat seat : seats.getOrDefault(node, List.of())) {
                Optional<NetworkRole> role =
                        seat.section.amplifies() ? capacitorAt(seat, node, other, farads) : Optional.empty();
                if (role.isPresent()) {
                    return at(card, seat, role.get());
                }
            }
        }
        if (farads >= FILTER_FARADS && toGround && diodeAt(nets.isGround(a) ? b : a)) {
            return Optional.of(NetworkRole.RATIO_DETECTOR_ELECTROLYTIC);
        }
        if (nets.isSlow(a) || nets.isSlow(b)) {
            return Optional.of(NetworkRole.AVC_BYPASS);
        }
        if (nets.isRail(a) || nets.isRail(b)) {
            return Optional.of(NetworkRole.DECOUPLING_CAPACITOR);
        }
        return farads <= 1e-9 && (toGround || nets.isElectrode(a) || nets.isElectrode(b))
                ? Optional.of(NetworkRole.IF_FILTER_CAPACITOR)
                : Optional.empty();
    }

    private NetworkRole filterCapacitor(String rail) {
        if (nets.sources().contains(rail)) {
            return NetworkRole.RESERVOIR_CAPACITOR;
        }
        boolean next = nets.at(rail).stream()
                .filter(card -> card.letter() == 'R' || card.letter() == 'L')
                .anyMatch(card -> nets.sources().contains(Nets.other(card, rail)));
        return next ? NetworkRole.SECOND_FILTER_CAPACITOR : NetworkRole.DECOUPLING_CAPACITOR;
    }

    private Optional<NetworkRole> capacitorAt(Seat seat, String node, String other, double farads) {
        boolean toGround = nets.isGround(other);
        boolean own = seat.tube.nodes().contains(other);
        return switch (seat.electrode) {
            case CATHODE ->
                toGround && !nets.isGround(node) ? Optional.of(NetworkRole.CATHODE_BYPASS) : Optional.empty();
            case SCREEN ->
                (toGround || own) && !nets.isRail(node) ? Optional.of(NetworkRole.SCREEN_BYPASS) : Optional.empty();
            case PLATE -> {
                if (isOutput(seat.tube) && (toGround || nets.isRail(other) || own)) {
                    yield Optional.of(NetworkRole.TONE_CORRECTION_CAPACITOR);
                }
                if (toGround || own && farads < 2e-9) {
                    yield farads < 2e-9 ? Optional.of(NetworkRole.PLATE_RF_BYPASS) : Optional.empty();
                }
                yield leadsToGrid(other) ? Optional.of(NetworkRole.COUPLING_CAPACITOR) : Optional.empty();
            }
            case GRID, GRID3 -> {
                if (seat.section == Section.HEPTODE && oscillatorGrid(seat.tube, node) || oscillates(seat.tube)) {
                    yield Optional.of(NetworkRole.OSCILLATOR_GRID_CAPACITOR);
                }
                boolean fromPlate = seats.getOrDefault(other, List.of()).stream()
                        .anyMatch(s -> s.electrode == Electrode.PLATE && s.section.amplifies());
                yield fromPlate || toGround || nets.isRail(other)
                        ? fromPlate ? Optional.of(NetworkRole.COUPLING_CAPACITOR) : Optional.empty()
                        : Optional.of(NetworkRole.AUDIO_INPUT_CAPACITOR);
            }
            default -> Optional.empty();
        };
    }

    private Optional<NetworkRole> coil(Card card) {
        double henries = card.value().orElse(0.0);
        if (henries >= CHOKE_HENRIES) {
            double ohms = card.key("rser").map(PartRoles::number).orElse(0.0);
            boolean filters = joins(card, nets::isRail, nets::isRail) || joins(card, nets::isGround, this::isMinus);
            return filters
                    ? Optional.of(ohms >= FIELD_OHMS ? NetworkRole.FIELD_COIL : NetworkRole.FILTER_CHOKE)
                    : Optional.empty();
        }
        for (String node : card.nodes()) {
            for (Seat seat : seats.getOrDefault(node, List.of())) {
                if (seat.electrode == Electrode.CATHODE && seat.section.amplifies() && !nets.isGround(node)) {
                    return at(card, seat, NetworkRole.OSCILLATOR_COIL);
                }
                if (seat.electrode == Electrode.PLATE && seat.section.amplifies()) {
                    return at(card, seat, NetworkRole.IF_WINDING);
                }
                if (seat.electrode == Electrode.GRID || seat.electrode == Electrode.GRID3) {
                    return at(card, seat, NetworkRole.AERIAL_COIL);
                }
                if (seat.section == Section.DIODE) {
                    return Optional.of(NetworkRole.IF_WINDING);
                }
            }
        }
        return Optional.empty();
    }

    private static double number(String text) {
        return SpiceNumber.read(text).orElse(0.0);
    }

    private Optional<NetworkRole> device(Card card) {
        if (card.model().equals("XFMR")) {
            boolean line = lineSide.contains(card.nodes().get(0))
                    || lineSide.contains(card.nodes().get(1));
            return Optional.of(line ? NetworkRole.POWER_TRANSFORMER : NetworkRole.OUTPUT_TRANSFORMER_PRIMARY);
        }
        if (card.model().equals("LAMP")) {
            return Optional.of(NetworkRole.PILOT_LAMP);
        }
        if (card.model().equals("SELENIUM")) {
            return Optional.of(NetworkRole.RECTIFIER_SELENIUM);
        }
        if (Nets.isEye(card)) {
            return Optional.of(NetworkRole.EYE_TUBE);
        }
        return nets.section(card).flatMap(section -> tubeRole(card, section));
    }

    private Optional<NetworkRole> tubeRole(Card card, Section section) {
        return switch (section) {
            case HEPTODE -> Optional.of(NetworkRole.CONVERTER_TUBE);
            case DIODE, FULL_WAVE ->
                Optional.of(nets.rectifies(card) ? NetworkRole.RECTIFIER_TUBE : NetworkRole.DETECTOR_DIODE);
            case TRIODE, PENTODE -> {
                if (isOutput(card)) {
                    yield Optional.of(NetworkRole.OUTPUT_TUBE);
                }
                boolean tuned = nets.at(card.nodes().get(0)).stream()
                        .anyMatch(
                                other -> other.letter() == 'L' && other.value().orElse(1.0) < CHOKE_HENRIES);
                yield Optional.of(
                        tuned
                                ? NetworkRole.IF_TUBE
                                : oscillates(card) ? NetworkRole.CONVERTER_TUBE : NetworkRole.AUDIO_TRIODE);
            }
            default -> Optional.empty();
        };
    }

    private boolean isOutput(Card tube) {
        return nets.at(tube.nodes().get(0)).stream()
                .anyMatch(card -> card.model().equals("XFMR"));
    }

    private static boolean oscillates(Card tube) {
        return tube.key("role").filter("oscillator"::equalsIgnoreCase).isPresent();
    }

    /** The grid of a mixer that does not take the signal: it shares a triode's, or has a small capacitor to a coil. */
    private boolean oscillatorGrid(Card mixer, String node) {
        boolean shared = seats.getOrDefault(node, List.of()).stream().anyMatch(seat -> oscillates(seat.tube));
        boolean small = nets.at(node).stream()
                .anyMatch(card -> card.letter() == 'C' && card.value().orElse(1.0) <= 1e-9);
        boolean coil = nets.at(node).stream().anyMatch(card -> card.letter() == 'L');
        return shared || small && !coil || mixer.nodes().indexOf(node) == 3 && !coil;
    }

    private NetworkRole control(Card card) {
        Set<String> seen = new HashSet<>(List.of(card.reference()));
        List<Card> open = new ArrayList<>(List.of(card));
        while (!open.isEmpty()) {
            Card one = open.remove(0);
            for (String node : one.nodes()) {
                if (nets.isGround(node)) {
                    continue;
                }
                nets.at(node).stream()
                        .filter(other -> other.kind().equals("pot") && seen.add(other.reference()))
                        .forEach(open::add);
            }
        }
        if (seen.size() > 2) {
            return NetworkRole.TAPPED_VOLUME_CONTROL;
        }
        boolean toGrid = cards.stream()
                .filter(other -> seen.contains(other.reference()))
                .flatMap(other -> other.nodes().stream())
                .anyMatch(node -> !nets.isGround(node) && leadsToGrid(node));
        return toGrid ? NetworkRole.VOLUME_CONTROL : NetworkRole.TONE_CONTROL;
    }

    private boolean leadsToGrid(String node) {
        return isGrid(node)
                || nets.at(node).stream()
                        .filter(card -> nets.isTwoEnded(card) && "RC".indexOf(card.letter()) >= 0)
                        .anyMatch(card -> isGrid(Nets.other(card, node)));
    }

    private boolean isGrid(String node) {
        return seats.getOrDefault(node, List.of()).stream()
                .anyMatch(seat -> seat.section.amplifies()
                        && (seat.electrode == Electrode.GRID || seat.electrode == Electrode.GRID3));
    }

    private boolean isRectifierPlate(String node) {
        return nets.at(node).stream()
                .anyMatch(card -> nets.rectifies(card)
                        && card.nodes().subList(0, card.nodes().size() - 1).contains(node));
    }

    private boolean winding(String node) {
        return nets.at(node).stream().anyMatch(card -> card.model().equals("XFMR"));
    }

    private boolean isSpeaker(String node) {
        return !nets.isGround(node) && nets.at(node).stream().anyMatch(this::voiceCoil);
    }

    private boolean voiceCoil(Card card) {
        return card.letter() == 'R'
                && card.kind().equals("winding")
                && card.nodes().stream().anyMatch(this::winding)
                && card.nodes().stream().noneMatch(lineSide::contains);
    }

    private boolean diodeAt(String node) {
        return nets.at(node).stream()
                .anyMatch(card -> nets.section(card)
                        .filter(section -> section == Section.DIODE)
                        .isPresent());
    }

    private boolean atSmallCoil(String node) {
        return nets.at(node).stream()
                .anyMatch(card -> card.letter() == 'L' && card.value().orElse(1.0) < 0.1);
    }

    /** Whether it is the minus of a supply whose minus is not the chassis: a filter capacitor's foot. */
    private boolean isMinus(String node) {
        return !nets.isGround(node)
                && nets.at(node).stream()
                        .anyMatch(card -> card.letter() == 'C'
                                        && card.value().orElse(0.0) >= FILTER_FARADS
                                        && nets.isRail(Nets.other(card, node))
                                || card.letter() == 'V'
                                        && card.hertz() == 0
                                        && card.nodes().get(1).equals(node));
    }

    /** Whether a switch contact leads on to a rail. */
    private boolean behindContact(String node) {
        return nets.at(node).stream()
                .anyMatch(card -> card.kind().equals("switch") && nets.isRail(Nets.other(card, node)));
    }

    private boolean joins(Card card, Predicate<String> one, Predicate<String> other) {
        String a = card.nodes().get(0);
        String b = card.nodes().get(card.nodes().size() - 1);
        return one.test(a) && other.test(b) || one.test(b) && other.test(a);
    }

    /** From the line through switches, fuses and small resistances, not through ground. */
    private void line() {
        List<String> open = new ArrayList<>();
        for (Card card : cards) {
            if (card.letter() == 'V' && card.hertz() > 0) {
                card.nodes().stream().filter(node -> !nets.isGround(node)).forEach(open::add);
            }
        }
        while (!open.isEmpty()) {
            String node = open.remove(0);
            if (!lineSide.add(node)) {
                continue;
            }
            nets.at(node).stream()
                    .filter(card -> card.kind().toLowerCase(Locale.ROOT).matches("switch|fuse|cord")
                            || card.letter() == 'R'
                                    && !card.kind().equals("winding")
                                    && card.value().orElse(1e9) <= FUSIBLE_OHMS
                                    && !isRectifierPlate(Nets.other(card, node)))
                    .map(card -> Nets.other(card, node))
                    .filter(other -> !nets.isGround(other))
                    .forEach(open::add);
        }
    }
}
