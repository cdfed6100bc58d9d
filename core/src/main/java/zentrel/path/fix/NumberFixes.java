package zentrel.path.fix;

import java.util.ArrayList;
import java.util.List;
import zentrel.path.Facts;
import zentrel.path.Issue;
import zentrel.path.PathContext;
import zentrel.plan.*;
import zentrel.profile.Protocol;

/** Fixes of numbers and protocols that differ, and of sources that meet at a port. */
final class NumberFixes {
    private static final int PRIORITY_STEP = 10;

    private final PathContext context;
    private final Remedies remedies;

    NumberFixes(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
    }

    List<Edit> of(Issue issue) {
        Facts facts = issue.facts();
        return switch (issue.reason()) {
            case PROTOCOL_DIFFERS -> protocol(facts);
            case OFF_BY_ONE, NUMBERS_DIFFER, NOBODY_ASKED, GROUP_NOT_JOINED -> numbers(facts);
            case PORT_NUMBER_RANGE -> List.of(remedies.setPortWire(port(facts), facts.number("wire")));
            case SYNC_MISSING ->
                List.of(
                        remedies.noSync(stream(facts)),
                        remedies.sendSync(facts.get("program", Application.class), facts.number("sync")));
            case ONE_IDENTITY -> List.of(remedies.ownIdentity(facts.get("later", Application.class)));
            case TOO_MANY_SOURCES, CANNOT_MERGE, REMOTE_OUTPUTS -> List.of(remedies.silence(stream(facts)));
            case BACKUP_OUTRANKS ->
                List.of(
                        remedies.setPriority(stream(facts), below(facts.number("high"))),
                        remedies.silence(stream(facts)));
            case WRONG_WAY, INPUT_NOT_ASKED -> List.of(remedies.portOutput(port(facts)));
            case PORT_OFF -> List.of(remedies.portOn(port(facts)));
            case PREVIEW -> List.of(remedies.live(stream(facts)));
            case TWO_SOURCES -> twoSources(facts);
            default -> throw new IllegalArgumentException("No fix of a number for " + issue.reason());
        };
    }

    private static Stream stream(Facts facts) {
        return facts.get("stream", Stream.class);
    }

    private static Port port(Facts facts) {
        return facts.get("port", Port.class);
    }

    private static int below(int priority) {
        return Math.max(0, priority - PRIORITY_STEP);
    }

    /** The port first, unless other sources of the port agree with it: then this source is the odd one. */
    private List<Edit> numbers(Facts facts) {
        int wire = facts.number("wire");
        List<Edit> edits = new ArrayList<>();
        if (facts.get("protocol", Protocol.class).carries(wire)) {
            edits.add(remedies.setPortWire(port(facts), wire));
        }
        boolean odd = facts.get("odd", Boolean.class);
        edits.add(odd ? 0 : edits.size(), remedies.setStreamWire(stream(facts), facts.number("waits")));
        return edits;
    }

    private List<Edit> protocol(Facts facts) {
        Protocol protocol = facts.get("protocol", Protocol.class);
        Protocol other = facts.get("other", Protocol.class);
        int wire = facts.number("wire");
        List<Edit> edits = new ArrayList<>();
        if (facts.is("port") && protocol.carries(wire)) {
            edits.add(remedies.setPortProtocol(port(facts), protocol, wire));
        }
        if (facts.get("receiver", Receiver.class).protocols().contains(other)) {
            edits.add(remedies.alsoSend(stream(facts), port(facts), other));
        }
        return edits;
    }

    private List<Edit> twoSources(Facts facts) {
        Stream losing = facts.get("losing", Stream.class);
        Stream winning = facts.get("winning", Stream.class);
        int highest = winning.priority().inForce();
        List<Edit> edits = new ArrayList<>();
        edits.add(remedies.silence(losing));
        if (losing.protocol() == Protocol.SACN && highest > 0) {
            edits.add(remedies.setPriority(losing, below(highest)));
        }
        if (losing.universe().equals(winning.universe())) {
            edits.add(remedies.meantToMerge(context.index().universe(losing.universe())));
        }
        return edits;
    }
}
