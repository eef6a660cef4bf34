package org.umberdial.server.shop.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.PolicyFigure;
import org.umberdial.core.policy.School;
import org.umberdial.core.policy.Schools;
import org.umberdial.core.policy.Vocabulary;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.security.Caller;
import org.umberdial.server.shop.Shop;
import org.umberdial.server.shop.ShopService;

/** The shop and what it decides for itself. */
@RestController
@RequestMapping("/api/shop")
class ShopController {
    private static final int MOST_FIGURES = 100;
    private static final int MOST_HOUR_RATE = 10_000;

    /**
     * The shop as the client sees it; {@code figures} are those of the policy by name, as people write them,
     * {@code schools} those it follows, and {@code terms} the words to put for the North American ones.
     */
    record ShopView(
            String name,
            String timeZone,
            Vocabulary vocabulary,
            DecimalSign decimalSign,
            Map<String, String> figures,
            Map<School.Question, School> schools,
            String hourRate,
            String money,
            int version,
            Map<String, String> terms) {}

    record SchoolView(School id, String label, String why) {}

    record QuestionView(School.Question id, String label, List<SchoolView> schools) {}

    record PolicyFigureView(String id, String label, String unit, String why) {}

    record PolicyGroupView(String label, List<PolicyFigureView> figures) {}

    /** Figures as typed; one that is not named stays as it is. */
    record ShopEdit(
            @NotBlank @Size(max = 120) String name,
            @NotBlank @Size(max = 60) String timeZone,
            @NotNull Vocabulary vocabulary,
            @NotNull DecimalSign decimalSign,
            @NotNull @Size(max = MOST_FIGURES) Map<String, @NotNull @Size(max = 40) String> figures,

            @Size(max = MOST_FIGURES) @Schema(nullable = true)
            Map<School.Question, @NotNull School> schools,

            @NotBlank @Size(max = 40) String hourRate,
            @NotBlank @Size(max = 10) String money,
            int version) {}

    private final ShopService shops;

    ShopController(ShopService shops) {
        this.shops = shops;
    }

    @GetMapping
    ShopView shop(@AuthenticationPrincipal Caller caller) {
        return view(shops.shop(caller.shopId()));
    }

    /** What each figure of the policy is called and about, in named groups. */
    @GetMapping("/figures")
    List<PolicyGroupView> figures() {
        return Arrays.stream(PolicyFigure.Group.values())
                .map(group -> new PolicyGroupView(
                        group.label(),
                        Arrays.stream(PolicyFigure.values())
                                .filter(figure -> figure.group() == group)
                                .map(figure -> new PolicyFigureView(
                                        figure.name(), figure.label(), figure.unit(), figure.why()))
                                .toList()))
                .toList();
    }

    /** Where practitioners differ on parts, and the reasons of each school. */
    @GetMapping("/schools")
    List<QuestionView> schools() {
        return Arrays.stream(School.Question.values())
                .map(question -> new QuestionView(
                        question,
                        question.label(),
                        question.schools().stream()
                                .map(school -> new SchoolView(school, school.label(), school.why()))
                                .toList()))
                .toList();
    }

    @PutMapping
    ShopView save(@AuthenticationPrincipal Caller caller, @Valid @RequestBody ShopEdit edit) {
        HousePolicy before = shops.shop(caller.shopId()).policy();
        // They were shown with the sign that is being changed, unless somebody typed them since.
        List<ValueReader> values = List.of(new ValueReader(before.decimalSign()), new ValueReader(edit.decimalSign));
        Map<PolicyFigure, Double> figures = PolicyFigure.all(before);
        edit.figures.forEach((name, typed) -> {
            PolicyFigure figure = PolicyFigure.named(name)
                    .orElseThrow(() -> new InvalidEntry(
                                    InvalidEntry.Code.UNKNOWN, "The house policy has no figure “" + name + "”.")
                            .at(name));
            figures.put(figure, kept(values, figure, typed));
        });
        HousePolicy policy = PolicyFigure.policy(
                new HousePolicy.Words(edit.vocabulary, edit.decimalSign),
                figures,
                schools(before, edit.schools),
                new HousePolicy.Worth(hourRate(values, edit.hourRate), edit.money.strip()));
        return view(
                shops.save(new Shop(caller.shopId(), edit.name.strip(), zone(edit.timeZone), policy, edit.version)));
    }

    /** A question that is not named keeps its school; a school answers its own question, whatever it stands under. */
    private static Schools schools(HousePolicy before, Map<School.Question, School> chosen) {
        Schools schools = before.schools();
        for (School school : chosen == null ? List.<School>of() : chosen.values()) {
            schools = schools.with(school);
        }
        return schools;
    }

    private static double number(List<ValueReader> values, String typed) {
        try {
            return values.get(0).number(typed);
        } catch (InvalidEntry otherSign) {
            return values.get(1).number(typed);
        }
    }

    private static double kept(List<ValueReader> values, PolicyFigure figure, String typed) {
        try {
            return figure.kept(number(values, typed));
        } catch (InvalidEntry refused) {
            throw refused.at(figure.name());
        }
    }

    private static BigDecimal hourRate(List<ValueReader> values, String typed) {
        try {
            double rate = number(values, typed);
            if (!(rate >= 0 && rate <= MOST_HOUR_RATE)) {
                throw new InvalidEntry(
                        InvalidEntry.Code.OUT_OF_RANGE,
                        "An hour costs 0 to " + MOST_HOUR_RATE + ", not " + typed + ".");
            }
            return BigDecimal.valueOf(rate).setScale(2, RoundingMode.HALF_EVEN);
        } catch (InvalidEntry refused) {
            throw refused.at("hourRate");
        }
    }

    private static ZoneId zone(String name) {
        try {
            return ZoneId.of(name);
        } catch (DateTimeException e) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "“" + name + "” is no time zone; write one like Europe/Vienna or America/Chicago.")
                    .at("timeZone");
        }
    }

    private static ShopView view(Shop shop) {
        HousePolicy policy = shop.policy();
        Map<String, String> figures = new LinkedHashMap<>();
        for (PolicyFigure figure : PolicyFigure.values()) {
            figures.put(figure.name(), written(BigDecimal.valueOf(figure.written(policy)), policy.decimalSign()));
        }
        return new ShopView(
                shop.name(),
                shop.timeZone().getId(),
                policy.vocabulary(),
                policy.decimalSign(),
                figures,
                policy.schools().all(),
                written(policy.hourRate(), policy.decimalSign()),
                policy.money(),
                shop.version(),
                policy.vocabulary().terms());
    }

    private static String written(BigDecimal value, DecimalSign sign) {
        String text = value.stripTrailingZeros().toPlainString();
        return sign == DecimalSign.COMMA ? text.replace('.', ',') : text;
    }
}
