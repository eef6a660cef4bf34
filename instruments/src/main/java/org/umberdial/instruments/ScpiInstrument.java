package org.umberdial.instruments;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * One instrument: common commands of IEEE 488.2, an error queue, and the commands it is given. For one thread at a
 * time; the server sees to that.
 */
class ScpiInstrument {
    /** Answers a query, or obeys and answers nothing. */
    interface Command {
        /** @param parameters between commas, without blanks around them */
        String obey(List<String> parameters) throws ScpiError;
    }

    private static final int LONGEST_QUEUE = 20;
    private static final int COMMAND_ERROR = 32;
    private static final int EXECUTION_ERROR = 16;
    private static final int OPERATION_COMPLETE = 1;
    private static final int POWER_ON = 128;
    private static final int EVENT_SUMMARY = 32;
    private static final int ERROR_WAITS = 4;

    private final String identity;
    private final Map<Header, Command> commands = new LinkedHashMap<>();
    private final Deque<ScpiError> errors = new ArrayDeque<>();
    private int events = POWER_ON;
    private int eventMask;
    private int serviceMask;

    /** @param model for {@code *IDN?} */
    ScpiInstrument(String model) {
        identity = "Umber Dial," + model + ",0,1";
        common();
    }

    private void common() {
        on("*IDN?", p -> identity);
        on("*RST", p -> {
            reset();
            return "";
        });
        on("*CLS", p -> {
            errors.clear();
            events = 0;
            return "";
        });
        on("*ESR?", p -> {
            int was = events;
            events = 0;
            return String.valueOf(was);
        });
        on("*ESE", p -> {
            eventMask = whole(p, 255);
            return "";
        });
        on("*ESE?", p -> String.valueOf(eventMask));
        on("*SRE", p -> {
            serviceMask = whole(p, 255) & ~64;
            return "";
        });
        on("*SRE?", p -> String.valueOf(serviceMask));
        on("*STB?", p -> String.valueOf(status()));
        on("*OPC", p -> {
            events |= OPERATION_COMPLETE;
            return "";
        });
        on("*OPC?", p -> "1");
        on("*WAI", p -> "");
        on("*TST?", p -> "0");
        on(
                "SYSTem:ERRor[:NEXT]?",
                p -> errors.isEmpty() ? "0,\"No error\"" : errors.removeFirst().line());
        on("SYSTem:ERRor:COUNt?", p -> String.valueOf(errors.size()));
        on("SYSTem:VERSion?", p -> "1999.0");
    }

    private int status() {
        int status = (errors.isEmpty() ? 0 : ERROR_WAITS) | ((events & eventMask) != 0 ? EVENT_SUMMARY : 0);
        return status | ((status & serviceMask) != 0 ? 64 : 0);
    }

    /** @param header as a manual writes it */
    final void on(String header, Command command) {
        commands.put(new Header(header), command);
    }

    /** What {@code *RST} does. */
    void reset() {}

    /**
     * Takes one line of commands, apart by semicolons.
     *
     * @return the answers, apart by semicolons; empty when nothing was asked
     */
    final String take(String line) {
        List<String> answers = new ArrayList<>();
        String path = "";
        for (String one : line.split(";")) {
            String command = one.strip();
            if (command.isEmpty()) {
                continue;
            }
            // A command behind a semicolon goes on from the path of the one before, unless it begins with a colon.
            String header = command.split("\\s+", 2)[0];
            boolean own = header.startsWith(":") || header.startsWith("*") || path.isEmpty();
            String answer = obey(own ? command : path + command, own ? "" : command);
            if (!answer.isEmpty()) {
                answers.add(answer);
            }
            if (!header.startsWith("*")) {
                String whole = own ? header.replaceFirst("^:", "") : path + header;
                path = whole.contains(":") ? whole.substring(0, whole.lastIndexOf(':') + 1) : "";
            }
        }
        return String.join(";", answers);
    }

    /** @param other the same without the path of the one before; tried when there is no such command */
    private String obey(String text, String other) {
        String[] parts = text.split("\\s+", 2);
        for (Map.Entry<Header, Command> entry : commands.entrySet()) {
            if (entry.getKey().matches(parts[0])) {
                try {
                    return entry.getValue().obey(parameters(parts.length > 1 ? parts[1] : ""));
                } catch (ScpiError error) {
                    raise(error);
                    return "";
                }
            }
        }
        if (!other.isEmpty()) {
            return obey(other, "");
        }
        raise(new ScpiError(ScpiError.UNDEFINED_HEADER, "Undefined header"));
        return "";
    }

    /** At commas, but for those within a list in parentheses. */
    private static List<String> parameters(String text) {
        List<String> all = new ArrayList<>();
        int depth = 0;
        StringBuilder one = new StringBuilder();
        for (char c : text.toCharArray()) {
            depth += c == '(' ? 1 : c == ')' ? -1 : 0;
            if (c == ',' && depth == 0) {
                all.add(one.toString().strip());
                one.setLength(0);
            } else {
                one.append(c);
            }
        }
        if (!one.toString().isBlank() || !all.isEmpty()) {
            all.add(one.toString().strip());
        }
        return all;
    }

    final void raise(ScpiError error) {
        events |= error.number() > -200 ? COMMAND_ERROR : EXECUTION_ERROR;
        if (errors.size() >= LONGEST_QUEUE) {
            errors.removeLast();
            errors.addLast(new ScpiError(ScpiError.QUEUE_OVERFLOW, "Queue overflow"));
        } else {
            errors.addLast(error);
        }
    }

    static double number(List<String> parameters, int at, double least, double most) throws ScpiError {
        if (parameters.size() <= at) {
            throw new ScpiError(ScpiError.MISSING_PARAMETER, "Missing parameter");
        }
        try {
            double value = Double.parseDouble(parameters.get(at).replaceFirst("(?i)\\s*(V|HZ|A|OHM|W)$", ""));
            if (value >= least && value <= most) {
                return value;
            }
        } catch (NumberFormatException e) {
            throw new ScpiError(ScpiError.DATA_TYPE, "Data type error");
        }
        throw new ScpiError(ScpiError.OUT_OF_RANGE, "Data out of range");
    }

    private static int whole(List<String> parameters, int most) throws ScpiError {
        return (int) number(parameters, 0, 0, most);
    }

    static boolean onOff(List<String> parameters) throws ScpiError {
        String word = parameters.isEmpty() ? "" : parameters.get(0).toUpperCase(Locale.ROOT);
        return switch (word) {
            case "ON", "1" -> true;
            case "OFF", "0" -> false;
            case "" -> throw new ScpiError(ScpiError.MISSING_PARAMETER, "Missing parameter");
            default -> throw new ScpiError(ScpiError.DATA_TYPE, "Data type error");
        };
    }

    /** The channels of a list such as {@code (@1,3)} or {@code (@101:103)}. */
    static List<Integer> channels(List<String> parameters, int most) throws ScpiError {
        String list = parameters.isEmpty() ? "" : parameters.get(parameters.size() - 1);
        if (!list.matches("\\(@\\s*\\d{1,4}(\\s*[,:]\\s*\\d{1,4})*\\s*\\)")) {
            throw new ScpiError(
                    list.isEmpty() ? ScpiError.MISSING_PARAMETER : ScpiError.DATA_TYPE,
                    list.isEmpty() ? "Missing parameter" : "Data type error");
        }
        List<Integer> all = new ArrayList<>();
        for (String range : list.replaceAll("[(@)\\s]", "").split(",")) {
            String[] ends = range.split(":");
            int from = Integer.parseInt(ends[0]);
            int to = Integer.parseInt(ends[ends.length - 1]);
            for (int channel = from; channel <= to; channel++) {
                if (channel > most || channel < 1) {
                    throw new ScpiError(ScpiError.OUT_OF_RANGE, "Data out of range");
                }
                all.add(channel);
            }
        }
        return all;
    }

    /** As instruments print a number. */
    static String print(double value) {
        return String.format(Locale.ROOT, "%+.6E", value);
    }
}
