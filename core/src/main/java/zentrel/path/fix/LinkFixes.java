package zentrel.path.fix;

import java.util.ArrayList;
import java.util.List;
import zentrel.control.OscPattern;
import zentrel.path.Facts;
import zentrel.path.Issue;
import zentrel.path.PathContext;
import zentrel.plan.*;

/** Fixes of control links and of consoles' own streams. */
final class LinkFixes {
    /** OSC addresses of the receiver that are offered in the place of one that it does not have. */
    private static final int MOST_ADDRESSES = 3;

    private final PathContext context;
    private final Remedies remedies;

    LinkFixes(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
    }

    List<Edit> of(Issue issue) {
        Facts facts = issue.facts();
        return switch (issue.reason()) {
            case LINK_OFF ->
                List.of(new Edit(
                        "Switch on " + name(link(facts)),
                        p -> p.with(link(facts).id(), l -> l.withEnabled(true))));
            case OSC_OFF ->
                List.of(
                        facts.is("switched-off")
                                ? remedies.onOscInput(
                                        "Switch on receiving in ", program(facts), o -> o.withReceiving(true))
                                : takeOsc(program(facts), facts.number("port")));
            case OSC_TRANSPORT_DIFFERS ->
                List.of(
                        new Edit(
                                "Send " + name(link(facts)) + " by " + facts.get("takes", String.class),
                                p -> p.with(
                                        link(facts).id(),
                                        l -> l.withTransport(p.index()
                                                .application(l.to())
                                                .osc()
                                                .orElseThrow()
                                                .transport()))),
                        remedies.onOscInput(
                                "Take OSC by " + facts.get("sent", String.class) + " in ",
                                program(facts),
                                o -> o.withTransport(link(facts).transport())));
            case OSC_PORT_DIFFERS ->
                List.of(
                        new Edit(
                                "Send " + name(link(facts)) + " to port " + facts.number("listens"),
                                p -> p.with(link(facts).id(), l -> l.withPort(facts.number("listens")))),
                        listenOn(program(facts), facts.number("port")));
            case ANSWER_PORT_DIFFERS ->
                List.of(new Edit(
                        "Answer " + name(link(facts)) + " to port " + facts.number("listens"),
                        p -> p.with(link(facts).id(), l -> l.withAnswerPort(facts.number("listens")))));
            case HANDLER_OFF ->
                List.of(remedies.onOscInput("Let messages act in ", program(facts), o -> o.withHandling(true)));
            case UNMATCHED -> otherAddresses(facts);
            case ATTACHMENT_OFF ->
                List.of(new Edit(
                        "Switch on " + name(attachment(facts)),
                        p -> p.with(attachment(facts).id(), x -> x.withSending(Setting.of(true)))));
            case INPUT_DIFFERS ->
                List.of(new Edit(
                        "Choose " + name(attachment(facts)) + " as the input of " + name(program(facts)),
                        p -> p.with(attachment(facts).id(), x -> x.withChosen(Setting.of(true)))));
            case DRIVER_MISSING -> List.of(addDriver(program(facts), facts.get("driver", String.class)));
            case ATTACHED_VERSIONS ->
                List.of(install(facts.get("partner", Application.class), facts.get("mine", String.class)));
            default -> throw new IllegalArgumentException("No fix of a link for " + issue.reason());
        };
    }

    private static ControlLink link(Facts facts) {
        return facts.get("link", ControlLink.class);
    }

    private static Attachment attachment(Facts facts) {
        return facts.get("attachment", Attachment.class);
    }

    private static Application program(Facts facts) {
        return facts.get("program", Application.class);
    }

    private String name(Named thing) {
        return context.index().name(thing.id());
    }

    /** Lets a program receive OSC, on a port where it has none of its own. */
    private Edit takeOsc(Application application, int port) {
        return new Edit(
                "Let " + name(application) + " receive OSC on " + port,
                p -> p.with(
                        application.id(),
                        a -> a.withOsc(a.osc()
                                .map(o -> o.withReceiving(true))
                                .orElse(new OscInput(
                                        Setting.of(port), Setting.of(true), Setting.of(true), List.of())))));
    }

    private Edit listenOn(Application application, int port) {
        return new Edit(
                "Let " + name(application) + " listen on " + port,
                p -> p.with(
                        application.id(), a -> a.withOsc(a.osc().orElseThrow().withPort(port))));
    }

    private List<Edit> otherAddresses(Facts facts) {
        List<Edit> edits = new ArrayList<>();
        for (String address : facts.list("targets", String.class)) {
            if (!OscPattern.isPattern(address) && edits.size() < MOST_ADDRESSES) {
                edits.add(new Edit(
                        "Send " + address + " by " + name(link(facts)),
                        p -> p.with(link(facts).id(), l -> l.withPattern(address))));
            }
        }
        return edits;
    }

    private Edit addDriver(Application application, String driver) {
        return new Edit(
                "Add " + driver + " to " + name(application),
                p -> p.with(application.id(), x -> {
                    List<String> attached = new ArrayList<>(x.installed().attached());
                    attached.add(driver);
                    return x.withInstalled(x.installed().withAttached(attached));
                }));
    }

    private Edit install(Application application, String version) {
        return new Edit(
                "Install version " + version + " on " + name(application),
                p -> p.with(application.id(), x -> x.withVersion(version)));
    }
}
