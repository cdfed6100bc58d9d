package zentrel.path;

import static zentrel.path.HopKind.*;

import java.util.Optional;

/**
 * Every way in which a signal may die, be at risk or be unknown. Each has exactly one place; where one mistake dies at
 * different places by delivery (a number that differs: hop 4, 6 or 8) there is a reason for each, and the cause is the
 * same.
 */
public enum Reason {
    /** Fixtures or ports wait for the universe and nobody sends it. */
    NO_SOURCE("universe.no-source", MEANS, "universe.no-source"),
    /** The source's switch for the protocol or the universe is off. */
    SOURCE_OFF("universe.not-enabled", MEANS, "universe.not-enabled"),
    /** No range of the source covers its label, so it is not sent. */
    LABEL_NOT_COVERED("universe.label-not-covered", MEANS, "universe.not-enabled"),
    /** It stands by for a source that does not send. */
    STANDS_BY("universe.stands-by", MEANS, "universe.not-enabled"),
    /** The wire number does not exist in the protocol. */
    NUMBER_RANGE("universe.number-range", MEANS, "universe.number-range"),
    /** The switch of the console's own stream is off. */
    ATTACHMENT_OFF("previs.not-sending", MEANS, "previs.input-differs"),
    /** Beyond what the source's licence or product sends. */
    OVER_LIMIT("universe.over-limit", MEANS, "universe.over-limit"),
    /** It was started before what must run first. */
    START_ORDER("desk.start-order", MEANS, "desk.start-order"),
    /** The sending program has not been started. */
    NOT_RUNNING("program.not-running", MEANS, "program.not-running"),
    /** The sending program needs a licence that it has not. */
    LICENCE_MISSING("program.no-licence", MEANS, "program.not-ready"),
    /** The sending program needs a session that runs. */
    SESSION_MISSING("program.no-session", MEANS, "program.not-ready"),
    /** The sending program wants to be the only one of its kind in the network. */
    NOT_ALONE("program.not-alone", MEANS, "program.not-ready"),
    /** Nobody has started the output of the sending program. */
    OUTPUT_STOPPED("program.output-stopped", MEANS, "program.not-ready"),
    /** Whether the source sends as many depends on its version, which nobody has said. */
    LIMIT_NOT_KNOWN("universe.limit-not-known", MEANS, "universe.over-limit"),
    /** The control link is switched off at the sender. */
    LINK_OFF("control.not-sending", MEANS, "control.not-sending"),

    /** Bound to an adapter that does not lead to the partner, while another does. */
    BOUND_ELSEWHERE("adapter.wrong", BOUND, "adapter.wrong"),
    /** Left to the system, which may or does take another adapter. */
    LEFT_TO_SYSTEM("adapter.automatic", BOUND, "adapter.automatic"),
    /** The sending program does not use addresses of this range. */
    ADDRESS_NOT_USED("program.address-range", BOUND, "program.address-range"),
    /** Bound to loopback, with the partner on another host. */
    BOUND_TO_LOOPBACK("adapter.loopback", BOUND, "adapter.loopback"),

    /** The sender's adapter has no cable. */
    UNPLUGGED("adapter.unplugged", UP, "adapter.unplugged"),
    /** The sender's box is switched off. */
    NO_POWER("power.off", UP, "power.off"),
    /** The sender's adapter is switched off. */
    SWITCHED_OFF("adapter.switched-off", UP, "adapter.unplugged"),
    /** The sender's adapter has no address. */
    NO_ADDRESS("address.none", UP, "address.none"),
    /** The sender's address is one that no host may have. */
    NOT_A_HOST("address.not-a-host", UP, "address.not-a-host"),

    /** The universe is sent and used, and no port takes it. */
    NO_RECEIVER("universe.no-receiver", NAMED, "universe.no-receiver"),
    /** The typed list does not name the receiver. */
    NOT_DELIVERED("universe.not-delivered", NAMED, "universe.not-delivered"),
    /** Sent to those found, and the receiver answers no polls. */
    SILENT("discovery.silent", NAMED, "universe.not-delivered"),
    /** The sender gives no copy to programs on its own computer. */
    NO_LOCAL_COPY("universe.no-local-copy", NAMED, "universe.no-local-copy"),
    /** The sender has the receiver's address itself, so its system keeps what is sent there. */
    OWN_ADDRESS("address.own", NAMED, "address.duplicate"),
    /** The sender has no route to the receiver. */
    NO_ROUTE("address.unreachable", NAMED, "address.unreachable"),
    /** The sender's system sends it by another adapter than the program is bound to, which does not lead there. */
    ROUTED_ELSEWHERE("adapter.routed-elsewhere", NAMED, "address.unreachable"),
    /** Sent to those found, and the reply has no route back. */
    REPLY_LOST("discovery.no-return", NAMED, "discovery.no-return"),
    /** Sent to those found, and no port there is on this number. */
    NOBODY_ASKED("universe.nobody-asked", NAMED, "universe.off-by-one"),
    /** Sent to those found, and the port is an input, for which nobody is sent anything. */
    INPUT_NOT_ASKED("universe.nobody-asked-as-input", NAMED, "port.direction"),
    /** Sent to those found, and a poll to the sender's broadcast address is not for the receiver. */
    POLL_DIFFERS("discovery.poll-differs", NAMED, "address.mask-differs"),
    /** The link's destination is not an address of the receiver. */
    WRONG_TARGET("control.wrong-target", NAMED, "control.wrong-target"),

    /** The console's own stream goes to an address that the program does not have. */
    ATTACHED_ELSEWHERE("previs.wrong-target", NAMED, "previs.input-differs"),

    /** A group would have to cross a router. */
    GROUP_NOT_ROUTED("network.ttl", CARRIED, "network.ttl"),
    /** What is sent may not cross as many networks as lie between. */
    TTL_ENDS("network.ttl-ends", CARRIED, "network.ttl"),
    /** The sockets of the two are in different VLANs. */
    VLANS_DIFFER("network.vlan", CARRIED, "network.vlan"),
    /** Cables run in a ring that nothing cuts. */
    RING("network.loop", CARRIED, "network.loop"),
    /** A switch snoops, and nobody asks who still wants a group. */
    NOBODY_ASKS("network.multicast", CARRIED, "network.multicast"),
    /** A socket is slow, or lets only one end talk at a time. */
    SLOW_SOCKET("network.slow-port", CARRIED, "network.slow-port"),
    /** No segment joins the two. */
    APART("network.apart", CARRIED, "address.unreachable"),
    /** A router joins the two segments, and what is sent does not go by it. */
    NOT_ROUTED("network.not-routed", CARRIED, "address.unreachable"),
    /** The access point keeps its wireless clients apart. */
    CLIENTS_APART("network.isolated", CARRIED, "network.isolated"),
    /** A cable on the way is not plugged in. */
    CABLE_OUT("cable.out", CARRIED, "adapter.unplugged"),
    /** A box that passes the network on is switched off. */
    PASSING_OFF("power.off-between", CARRIED, "power.off"),
    /** Nobody has said which cable joins the two. */
    CABLE_NOT_KNOWN("cable.not-known", CARRIED, "adapter.unplugged"),

    /** The receiver's adapter has no cable. */
    FAR_UNPLUGGED("adapter.unplugged-at-receiver", TAKEN, "adapter.unplugged"),
    /** The receiver's box is switched off. */
    FAR_NO_POWER("power.off-at-receiver", TAKEN, "power.off"),
    /** The receiver's adapter is switched off. */
    FAR_SWITCHED_OFF("adapter.switched-off-at-receiver", TAKEN, "adapter.unplugged"),
    /** The receiver's adapter has no address. */
    FAR_NO_ADDRESS("address.none-at-receiver", TAKEN, "address.none"),
    /** The receiver's address is one that no host may have. */
    FAR_NOT_A_HOST("address.not-a-host-at-receiver", TAKEN, "address.not-a-host"),
    /** The sender's broadcast address is not the receiver's. */
    BROADCAST_DIFFERS("address.broadcast-differs", TAKEN, "address.mask-differs"),
    /** The receiver joined the group of another number. */
    GROUP_NOT_JOINED("universe.group-not-joined", TAKEN, "universe.off-by-one"),
    /** The receiver joined the group on another adapter. */
    JOINED_ELSEWHERE("adapter.joined-elsewhere", TAKEN, "adapter.wrong"),
    /** The receiver drops sources that it has no route to. */
    SOURCE_CHECK("host.source-check", TAKEN, "address.unreachable"),
    /** What is sent to the address of another adapter of the receiver arrives by one that does not take it. */
    OTHER_ADAPTER("host.other-adapter", TAKEN, "address.unreachable"),
    /** Another adapter of the segment has the receiver's address. */
    DUPLICATE("address.duplicate", TAKEN, "address.duplicate"),

    /** The receiving program has not been started. */
    FAR_NOT_RUNNING("program.not-running-at-receiver", LET_IN, "program.not-running"),
    /** The receiving program does not use addresses of this range. */
    FAR_ADDRESS_NOT_USED("program.address-range-at-receiver", LET_IN, "program.address-range"),
    /** The receiver's firewall bars it. */
    FIREWALL("host.firewall", LET_IN, "host.firewall"),
    /** The program has another input chosen than the console's own stream. */
    INPUT_DIFFERS("previs.input-differs", LET_IN, "previs.input-differs"),
    /** What the console's own stream needs at the program's end is not installed. */
    DRIVER_MISSING("previs.driver-missing", LET_IN, "previs.input-differs"),
    /** The receiver receives no universe of this number. */
    NOT_TAKEN("universe.not-taken", LET_IN, "universe.not-enabled"),
    /** Which adapter the group is joined on is left to the system, which has several. */
    JOINS_LEFT_TO_SYSTEM("adapter.joins-automatic", TAKEN, "adapter.automatic"),
    /** A cable on the way carries more than it can hold; found from the whole plan. */
    FULL_CABLE("network.load", CARRIED, "network.load"),
    /** Broadcasts load a small receiver; found from the whole plan. */
    BROADCAST_LOAD("receiver.broadcast-load", TAKEN, "receiver.broadcast-load"),
    /** The port's page has another Sub-Net; found from the whole plan. */
    PAGE_DIFFERS("port.page", AGREES, "port.page"),
    /** Sent faster or slower than a line passes on; found from the whole plan. */
    RATE("universe.rate", WINS, "universe.rate"),
    /** Groups or broadcasts go to wireless clients; found from the whole plan. */
    WIRELESS_STREAM("network.wireless-stream", CARRIED, "network.wireless-stream"),
    /** Another program of the computer has the same port; what is sent to an address reaches one of them. */
    PORT_SHARED("adapter.port-shared", LET_IN, "adapter.port-shared"),
    /** The receiver's input is switched off. */
    INPUT_OFF("universe.input-off", LET_IN, "universe.not-enabled"),
    /** The port or the receiver takes the other protocol. */
    PROTOCOL_DIFFERS("universe.protocol-differs", LET_IN, "universe.protocol-differs"),
    /** The receiver listens on another adapter. */
    LISTENS_ELSEWHERE("adapter.listens-elsewhere", LET_IN, "adapter.wrong"),
    /** The receiver listens on loopback only. */
    LISTENS_ON_LOOPBACK("adapter.listens-on-loopback", LET_IN, "adapter.loopback"),
    /** The receiver does not take OSC, or its switch is off. */
    OSC_OFF("control.not-receiving", LET_IN, "control.not-receiving"),

    /** The two ends' wire numbers differ by one. */
    OFF_BY_ONE("universe.off-by-one", AGREES, "universe.off-by-one"),
    /** The two ends' wire numbers differ by more than one. */
    NUMBERS_DIFFER("universe.numbers-differ", AGREES, "universe.numbers-differ"),
    /** The port's number does not exist in its protocol. */
    PORT_NUMBER_RANGE("universe.number-range-at-port", AGREES, "universe.number-range"),
    /** Nobody has said what number the port is set to. */
    NUMBER_NOT_KNOWN("universe.number-not-known", AGREES, "universe.off-by-one"),
    /** One end speaks UDP and the other TCP, or the packets of the stream are parted in two ways. */
    OSC_TRANSPORT_DIFFERS("control.transport-differs", LET_IN, "control.transport-differs"),
    /** Destination port and listening port differ. */
    OSC_PORT_DIFFERS("control.port-differs", AGREES, "control.port-differs"),
    /** Answer port and listening port differ. */
    ANSWER_PORT_DIFFERS("control.answer-port-differs", AGREES, "control.port-differs"),

    /** The two versions do not agree as closely as the console's own stream needs. */
    ATTACHED_VERSIONS("previs.version-differs", AGREES, "previs.input-differs"),
    /** What is typed in on entering a session is not what the session asks for. */
    SESSION_KEYS("desk.session-differs", AGREES, "desk.session-differs"),
    /** Versions of two desks of a session. */
    DESK_VERSIONS("desk.version-differs", AGREES, "desk.version-differs"),
    /** The release agrees, and one of the two does not say its build. */
    BUILD_NOT_KNOWN("desk.build-not-known", AGREES, "desk.version-differs"),
    /** Nobody outside its maker knows what is in it. */
    BYTES_NOT_KNOWN("previs.bytes-not-known", WINS, "previs.input-differs"),
    /** A console mixes levels of its own into what it passes on. */
    OWN_LEVELS("universe.own-levels", WINS, "universe.own-levels"),
    /** Its data waits for synchronisation that nobody sends. */
    SYNC_MISSING("universe.sync", WINS, "universe.sync"),
    /** Another source sends it under the same identity. */
    ONE_IDENTITY("universe.one-cid", WINS, "universe.one-cid"),
    /** More sources reach it than it takes. */
    TOO_MANY_SOURCES("universe.too-many-sources", WINS, "universe.two-sources"),
    /** A merge is meant, and the receiver takes one source only. */
    CANNOT_MERGE("universe.cannot-merge", WINS, "universe.two-sources"),
    /** A remote of the session sends levels too. */
    REMOTE_OUTPUTS("desk.remote-outputs", WINS, "desk.remote-outputs"),
    /** The backup of the session has a higher priority than its main desk. */
    BACKUP_OUTRANKS("desk.backup-outranks", WINS, "desk.backup-outranks"),
    /** The port is an input. */
    WRONG_WAY("port.direction", WINS, "port.direction"),
    /** The port is switched off. */
    PORT_OFF("port.disabled", WINS, "port.disabled"),
    /** Another source of equal priority sends the same number, and no merge is meant. */
    TWO_SOURCES("universe.two-sources", WINS, "universe.two-sources"),
    /** Preview data, which must not reach live output (ANSI E1.31-2018 §6.2.6). */
    PREVIEW("universe.preview", WINS, "universe.preview"),
    /** The switch inside the show is off. */
    HANDLER_OFF("control.handler-off", WINS, "control.not-receiving"),

    /** The footprint runs past slot 512. */
    PAST_END("patch.past-end", LEADS, "patch.past-end"),
    /** Another fixture uses the same slots. */
    OVERLAP("patch.overlap", LEADS, "patch.overlap"),
    /** No line leads to the fixture. */
    NOT_CONNECTED("fixture.not-connected", LEADS, "fixture.not-connected"),
    /** A splitter or wireless link on the way to the fixture has no power. */
    LINE_DARK("line.dark", LEADS, "fixture.not-connected"),
    /** The fixture's line starts at a port of another universe. */
    LINE_DIFFERS("patch.line-differs", LEADS, "patch.line-differs"),
    /** No target of the receiver matches the pattern. */
    UNMATCHED("control.unmatched", LEADS, "control.unmatched"),
    /** The receiver's targets are not described. */
    TARGETS_NOT_KNOWN("control.targets-not-known", LEADS, "control.unmatched");

    private final String code;
    private final HopKind hop;
    private final String rule;

    Reason(String code, HopKind hop, String rule) {
        this.code = code;
        this.hop = hop;
        this.rule = rule;
    }

    /** The code, stable for other programs. */
    public String code() {
        return code;
    }

    /** The one place where it happens. */
    public HopKind hop() {
        return hop;
    }

    /** The rule that reports it, unless the issue names another. */
    public String rule() {
        return rule;
    }

    /** The reason of a code. */
    public static Optional<Reason> of(String code) {
        for (Reason reason : values()) {
            if (reason.code.equals(code)) {
                return Optional.of(reason);
            }
        }
        return Optional.empty();
    }
}
