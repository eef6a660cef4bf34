package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.procedure.BenchForm;
import org.umberdial.core.procedure.Figures;

/** The tests of the cold bench: what to enter for each, what it would prove on a set, and what its figures say. */
public final class ColdTests {
    private static final Map<String, ColdTool> TOOLS = tools();

    private ColdTests() {}

    private static Map<String, ColdTool> tools() {
        Map<String, ColdTool> tools = new HashMap<>(Map.ofEntries(
                Map.entry("discharge", new DischargeTool()),
                Map.entry("plug-on", new PlugTool()),
                Map.entry("fuse", new FuseTool()),
                Map.entry("plug-off", new LineTools.SwitchedOff()),
                Map.entry("line-chassis", new LineTools.ToChassis()),
                Map.entry("taps", new TapsTool()),
                Map.entry("hv-halves", new TransformerTools.Halves()),
                Map.entry("injection", new InjectionTool()),
                Map.entry("insulation", new TransformerTools.Insulation()),
                Map.entry("windings", new TransformerTools.Unknown()),
                Map.entry("lead-out", new TransformerTools.LeadOut()),
                Map.entry("heaters", new HeatersTool()),
                Map.entry("rails", new RailsTool()),
                Map.entry("resistors", new ResistorsTool()),
                Map.entry("diode", new DiodesTool()),
                Map.entry("selenium", new SeleniumTool()),
                Map.entry("transistor", new TransistorTool()),
                Map.entry("output-tone", new SoundTools.Tone()),
                Map.entry("output-ratio", new SoundTools.Ratio()),
                Map.entry("field-coil", new SoundTools.Field()),
                Map.entry("between", new BetweenTool())));
        for (TestRow row : TestRow.all()) {
            tools.computeIfAbsent(row.id(), id -> row.judge().equals("ohms") ? new OhmsTool(row) : new CheckTool(row));
        }
        return Map.copyOf(tools);
    }

    /** What a pass would prove on this set. */
    public static List<Claim> claims(ColdScene scene, TestRow row) {
        List<Claim> claims = new ArrayList<>();
        for (TestRow.Proves aspect : row.proves()) {
            if (applies(scene, aspect)) {
                scene.roles().of(aspect.role()).forEach(part -> claims.add(new Claim(part, aspect.aspect())));
            }
        }
        return claims.stream().distinct().toList();
    }

    private static boolean applies(ColdScene scene, TestRow.Proves aspect) {
        return switch (aspect.aspect()) {
            case TAP_ORDER -> scene.label().taps().size() > 1 && !scene.label().ranged();
            case HIGH_VOLTAGE_CONTINUITY ->
                scene.power().isEmpty()
                        || !scene.power().get().of(Transformer.Use.HIGH_VOLTAGE).isEmpty();
            default -> true;
        };
    }

    /** Whether a test reads ohms across one part after another, its figures under {@code o.} and the part. */
    static boolean readsPartsByOhms(TestRow row) {
        return row.judge().equals("ohms")
                || row.id().equals("resistors")
                || row.id().equals("heaters");
    }

    /** Whether a test stands beside itself when it is made again, since each time is about another place. */
    public static boolean standsBesideItself(TestRow row) {
        return ColdBench.SEVERAL.contains(row.id());
    }

    /** Everything cold tests could prove of a set, whatever instruments there are. */
    public static List<Claim> all(ColdScene scene) {
        return TestRow.all().stream()
                .flatMap(row -> claims(scene, row).stream())
                .distinct()
                .toList();
    }

    /** How to make a test on this set and what to enter; a figure that cannot be is passed over here. */
    public static BenchForm form(ColdScene scene, TestRow row, Figures figures) {
        ColdTool tool = TOOLS.get(row.id());
        List<String> cautions = new ArrayList<>(row.id().equals("discharge") ? List.of() : List.of("plug_in_sight"));
        cautions.addAll(tool.cautions(scene));
        List<BenchForm.Block> blocks;
        try {
            blocks = tool.blocks(scene, figures);
        } catch (org.umberdial.core.value.InvalidEntry refused) {
            Map<String, String> without = new LinkedHashMap<>(figures.entered());
            without.remove(refused.field());
            blocks = tool.blocks(scene, new Figures(without));
        }
        return new BenchForm(row.setup(), cautions, blocks);
    }

    /**
     * What the figures of a test say.
     *
     * @throws org.umberdial.core.value.InvalidEntry for a figure that cannot be, with its key as the field
     */
    public static ColdVerdict judge(ColdScene scene, TestRow row, Figures figures) {
        return TOOLS.get(row.id()).judge(scene, claims(scene, row), figures);
    }
}
