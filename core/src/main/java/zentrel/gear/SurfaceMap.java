package zentrel.gear;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.control.MessageTemplate;
import zentrel.control.TravelValue;
import zentrel.plan.ControlLink;
import zentrel.plan.LinkControl;
import zentrel.plan.LinkMessage;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.table.TextTable;

/** The controls of a surface beside the messages that they send by a link: what each sends, what collides, what to type in. */
public final class SurfaceMap {
    /** Messages named in one sentence. */
    private static final int MOST_SAID = 3;

    private final ControlLink link;

    public SurfaceMap(ControlLink link) {
        this.link = link;
    }

    /**
     * What a control sends where it gives a number.
     *
     * @throws IllegalArgumentException with a sentence, where a value of it does not fit the message
     */
    public MessageTemplate.Filled sent(LinkControl control, int number) {
        List<MessageTemplate.Part> parts = link.template().parts();
        List<String> values = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            String value = i < control.values().size() ? control.values().get(i) : "";
            values.add(
                    value.equals(LinkControl.MOVES)
                            ? TravelValue.of(parts.get(i).type(), control.travel(number), number)
                            : value);
        }
        return link.template().fill(values);
    }

    /** What does not fit together, as sentences: controls that send one thing, messages that nothing sends, values that do not fit. */
    public List<String> conflicts() {
        List<String> all = new ArrayList<>();
        Map<List<String>, String> senders = new HashMap<>();
        for (LinkControl control : link.controls()) {
            try {
                MessageTemplate.Filled unused = sent(control, control.last());
            } catch (IllegalArgumentException e) {
                all.add(control.name() + " sends nothing that fits: " + e.getMessage());
            }
            Optional.ofNullable(senders.putIfAbsent(control.values(), control.name()))
                    .ifPresent(other -> all.add(other + " and " + control.name()
                            + " send one message; whichever is moved last has control."));
        }
        List<LinkMessage> without = link.controls().isEmpty()
                ? List.of()
                : link.messages().stream()
                        .filter(m -> link.controls().stream().noneMatch(c -> fits(c.values(), m.values())))
                        .toList();
        if (!without.isEmpty()) {
            int more = without.size() - MOST_SAID;
            all.add("No control sends "
                    + without.stream().limit(MOST_SAID).map(this::said).collect(Collectors.joining(", "))
                    + (more > 0 ? " and " + more + " more." : "."));
        }
        return all;
    }

    private String said(LinkMessage message) {
        try {
            return link.template().fill(message.values()).toString();
        } catch (IllegalArgumentException e) {
            return String.join(" ", message.values());
        }
    }

    private static boolean fits(List<String> control, List<String> message) {
        for (int i = 0; i < control.size() && i < message.size(); i++) {
            if (!control.get(i).equals(LinkControl.MOVES) && !control.get(i).equals(message.get(i))) {
                return false;
            }
        }
        return control.size() == message.size();
    }

    /** What is typed in at both ends, as a table: where to first, then each control with what it sends at both ends of its travel. */
    public static TextTable table(Plan plan, ControlLink link) {
        PlanIndex index = plan.index();
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Control", "Kind", "From", "To", "Curve", "Sends at first", "Sends at last", "Feedback"));
        rows.add(List.of(
                index.name(link.from()) + " sends to " + index.name(link.to()),
                "",
                "",
                "",
                "",
                link.destination().planned() + " port " + link.port().planned(),
                link.transport().title(),
                link.answerPort()
                        .map(p -> "to port " + p.planned())
                        .orElse(link.answer() ? "to the port it came from" : "")));
        SurfaceMap map = new SurfaceMap(link);
        for (LinkControl control : link.controls()) {
            rows.add(List.of(
                    control.name(),
                    control.kind().word(),
                    String.valueOf(control.first()),
                    String.valueOf(control.last()),
                    control.curve().word(),
                    map.words(control, control.first()),
                    map.words(control, control.last()),
                    control.feedback() ? "yes" : "no"));
        }
        return new TextTable(rows);
    }

    private String words(LinkControl control, int number) {
        try {
            return sent(control, number).toString();
        } catch (IllegalArgumentException e) {
            return String.format(Locale.ROOT, "does not fit: %s", e.getMessage());
        }
    }
}
