package zentrel.path.fix;

import java.util.List;
import zentrel.path.Issue;
import zentrel.path.PathContext;
import zentrel.path.SignalPaths;
import zentrel.plan.Edit;

/** The edits that would fix an issue of a signal path, the likeliest first. */
public final class PathFixes {
    private final SourceFixes sources;
    private final AdapterFixes adapters;
    private final CarryFixes carrying;
    private final NumberFixes numbers;
    private final LinkFixes links;
    private final DeskFixes desks;
    private final PatchFixes patch;

    /** Fixes for the plan that paths were judged from. */
    public PathFixes(SignalPaths paths) {
        this(paths.context());
    }

    PathFixes(PathContext context) {
        Remedies remedies = new Remedies(context);
        sources = new SourceFixes(context, remedies);
        adapters = new AdapterFixes(context, remedies);
        carrying = new CarryFixes(context, remedies);
        numbers = new NumberFixes(context, remedies);
        links = new LinkFixes(context, remedies);
        desks = new DeskFixes(context);
        patch = new PatchFixes(context);
    }

    /** The edits for an issue; none where nothing in the plan alone would fix it. */
    public List<Edit> of(Issue issue) {
        return switch (issue.reason()) {
            case NO_SOURCE,
                    SOURCE_OFF,
                    LABEL_NOT_COVERED,
                    STANDS_BY,
                    NUMBER_RANGE,
                    OVER_LIMIT,
                    LIMIT_NOT_KNOWN,
                    LICENCE_MISSING,
                    SESSION_MISSING,
                    NOT_ALONE,
                    OUTPUT_STOPPED,
                    NO_RECEIVER,
                    SILENT,
                    INPUT_OFF,
                    NOT_RUNNING,
                    FAR_NOT_RUNNING,
                    NO_LOCAL_COPY,
                    OWN_LEVELS,
                    NOT_TAKEN -> sources.of(issue);
            case BOUND_ELSEWHERE,
                    LEFT_TO_SYSTEM,
                    BOUND_TO_LOOPBACK,
                    UNPLUGGED,
                    SWITCHED_OFF,
                    NO_ADDRESS,
                    NOT_A_HOST,
                    NOT_DELIVERED,
                    WRONG_TARGET,
                    ATTACHED_ELSEWHERE,
                    NO_ROUTE,
                    REPLY_LOST,
                    FAR_UNPLUGGED,
                    FAR_SWITCHED_OFF,
                    FAR_NO_ADDRESS,
                    FAR_NOT_A_HOST,
                    BROADCAST_DIFFERS,
                    POLL_DIFFERS,
                    JOINED_ELSEWHERE,
                    JOINS_LEFT_TO_SYSTEM,
                    SOURCE_CHECK,
                    OTHER_ADAPTER,
                    DUPLICATE,
                    OWN_ADDRESS,
                    FIREWALL,
                    ADDRESS_NOT_USED,
                    FAR_ADDRESS_NOT_USED,
                    LISTENS_ELSEWHERE,
                    LISTENS_ON_LOOPBACK -> adapters.of(issue);
            case GROUP_NOT_ROUTED,
                    TTL_ENDS,
                    VLANS_DIFFER,
                    RING,
                    NOBODY_ASKS,
                    SLOW_SOCKET,
                    APART,
                    NOT_ROUTED,
                    CLIENTS_APART,
                    CABLE_OUT -> carrying.of(issue);
            case PROTOCOL_DIFFERS,
                    OFF_BY_ONE,
                    NUMBERS_DIFFER,
                    NOBODY_ASKED,
                    INPUT_NOT_ASKED,
                    GROUP_NOT_JOINED,
                    PORT_NUMBER_RANGE,
                    SYNC_MISSING,
                    ONE_IDENTITY,
                    TOO_MANY_SOURCES,
                    CANNOT_MERGE,
                    REMOTE_OUTPUTS,
                    BACKUP_OUTRANKS,
                    WRONG_WAY,
                    PORT_OFF,
                    TWO_SOURCES,
                    PREVIEW -> numbers.of(issue);
            case LINK_OFF,
                    OSC_OFF,
                    OSC_TRANSPORT_DIFFERS,
                    OSC_PORT_DIFFERS,
                    ANSWER_PORT_DIFFERS,
                    HANDLER_OFF,
                    UNMATCHED,
                    ATTACHMENT_OFF,
                    INPUT_DIFFERS,
                    DRIVER_MISSING,
                    ATTACHED_VERSIONS -> links.of(issue);
            case START_ORDER, SESSION_KEYS, DESK_VERSIONS, BUILD_NOT_KNOWN -> desks.of(issue);
            case NO_POWER, FAR_NO_POWER, PASSING_OFF, LINE_DARK, PAST_END, OVERLAP, NOT_CONNECTED, LINE_DIFFERS ->
                patch.of(issue);
            case ROUTED_ELSEWHERE,
                    CABLE_NOT_KNOWN,
                    NUMBER_NOT_KNOWN,
                    BYTES_NOT_KNOWN,
                    TARGETS_NOT_KNOWN,
                    FULL_CABLE,
                    BROADCAST_LOAD,
                    PAGE_DIFFERS,
                    RATE,
                    WIRELESS_STREAM,
                    PORT_SHARED -> List.of();
        };
    }
}
