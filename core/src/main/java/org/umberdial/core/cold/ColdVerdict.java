package org.umberdial.core.cold;

import java.util.List;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;

/**
 * What the figures of a test say.
 *
 * @param word GOOD, DOUBT, BAD; NO_EXPECTATION when they prove nothing; UNREAD while something is missing
 * @param sentence what it says and why, one or two sentences
 * @param arithmetic how it was reckoned, one line a step
 * @param results figures worked out, one each
 * @param proves what is proven now
 * @param refutes what is proven wrong now
 * @param doubts what the failure may lie in, when it is not known which
 * @param next what to do now; may be empty
 */
public record ColdVerdict(
        Verdict word,
        String sentence,
        List<String> arithmetic,
        List<Result> results,
        List<Claim> proves,
        List<Claim> refutes,
        List<Claim> doubts,
        String next) {
    /**
     * @param value with its unit
     * @param note why
     * @param word its own verdict
     * @param at where it lies on a scale, for drawing it; empty when it has no such place
     */
    public record Result(String label, String value, String note, Verdict word, OptionalDouble at) {
        public Result(String label, String value, String note, Verdict word) {
            this(label, value, note, word, OptionalDouble.empty());
        }
    }

    static ColdVerdict wants(String sentence) {
        return new ColdVerdict(Verdict.UNREAD, sentence, List.of(), List.of(), List.of(), List.of(), List.of(), "");
    }

    static ColdVerdict nothing(String sentence, String next) {
        return new ColdVerdict(
                Verdict.NO_EXPECTATION, sentence, List.of(), List.of(), List.of(), List.of(), List.of(), next);
    }

    static ColdVerdict good(String sentence, List<Claim> proves) {
        return new ColdVerdict(Verdict.GOOD, sentence, List.of(), List.of(), proves, List.of(), List.of(), "");
    }

    static ColdVerdict bad(String sentence, List<Claim> refutes, String next) {
        return new ColdVerdict(Verdict.BAD, sentence, List.of(), List.of(), List.of(), refutes, List.of(), next);
    }

    static ColdVerdict doubt(String sentence, List<Claim> doubts, String next) {
        return new ColdVerdict(Verdict.DOUBT, sentence, List.of(), List.of(), List.of(), List.of(), doubts, next);
    }

    ColdVerdict with(List<Result> shown, List<String> steps) {
        return new ColdVerdict(word, sentence, steps, shown, proves, refutes, doubts, next);
    }

    ColdVerdict proving(List<Claim> more) {
        return new ColdVerdict(word, sentence, arithmetic, results, more, refutes, doubts, next);
    }

    /** Whether it condemns or doubts something, so that the instrument itself should be checked. */
    public boolean surprising() {
        return !refutes.isEmpty() || !doubts.isEmpty();
    }
}
