package zentrel.standin;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Clock;
import zentrel.net.Packet;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.desk.DeskCodec;
import zentrel.packet.desk.DeskPacket;
import zentrel.packet.desk.DeskPacket.State;
import zentrel.plan.Part;
import zentrel.plan.VersionRule.Agreement;

/**
 * A stand-in of one desk in a session: it announces itself, looks for the one that leads, asks to enter, follows, and notices when
 * that one is gone; a backup then leads. A main desk listens first, so that one that comes back never makes two. All of it lives in
 * the net's turn.
 */
public final class DeskStandin implements AutoCloseable {
    /** How long nothing may be heard of the one that leads. */
    public static final long LOST_NANOS = 2_500_000_000L;

    private static final long ANNOUNCE_NANOS = 1_000_000_000L;
    private static final long FOLLOW_NANOS = 100_000_000L;
    private static final int MOST_FOLLOWERS = 100;

    private final StandinSite site;
    private final DeskSpec spec;
    private final Consumer<StandinEvent> listener;
    private final FailedSends failedSends;
    private final Map<Ipv4Address, String> followers = new LinkedHashMap<>();
    private final TreeSet<String> otherMains = new TreeSet<>();
    private final List<Clock.Timer> timers = new ArrayList<>();
    private @Nullable UdpPort port;
    private volatile State state = State.ALONE;
    private Part part;
    private volatile String show;
    private String leader = "";
    private @Nullable Ipv4Address leaderAt;
    private long leaderHeard;
    private long begun;
    private volatile int position;
    private float level;
    private boolean closed;

    public DeskStandin(StandinSite site, DeskSpec spec, Consumer<StandinEvent> listener) {
        this.site = site;
        this.spec = spec;
        this.listener = listener;
        this.failedSends = new FailedSends(listener);
        this.part = spec.part();
        this.show = spec.show();
    }

    /**
     * Opens its port and begins; from any thread.
     *
     * @throws IOException with a sentence, if the port cannot be had
     */
    public void start() throws IOException {
        site.host().call(() -> {
            port = site.openWithBroadcasts(DeskPacket.PORT, this::received);
            begun = site.clock().now();
            timers.add(site.clock().every(begun, ANNOUNCE_NANOS, this::announce));
            timers.add(site.clock().every(begun, FOLLOW_NANOS, this::look));
            return true;
        });
    }

    /** Goes to a cue; those that are in step follow. From any thread; nothing where it does not lead. */
    public void go(int toPosition, float toLevel) {
        site.host().run(() -> {
            if (state == State.LEADS) {
                position = toPosition;
                level = toLevel;
            }
        });
    }

    public State state() {
        return state;
    }

    /** Where the show is here. */
    public int position() {
        return position;
    }

    /** The show that is open here: after entering, that of the one that leads. */
    public String show() {
        return show;
    }

    private void announce() {
        toAll(new DeskPacket.Here(spec.session(), spec.name(), part.title(), spec.version(), show, state));
        if (state == State.ASKED) {
            ask();
        }
    }

    private void look() {
        long now = site.clock().now();
        boolean hears = leaderAt != null && now - leaderHeard < LOST_NANOS;
        switch (state) {
            case LEADS -> followers.keySet().forEach(this::sendPosition);
            case ALONE, LOST -> {
                if (hears) {
                    enters(State.FOUND, leader + " leads");
                    if (spec.asks()) {
                        enters(State.ASKED, "");
                        ask();
                    }
                } else if (part == Part.PRIMARY && now - begun >= LOST_NANOS) {
                    enters(State.LEADS, "nobody else leads");
                }
            }
            case FOUND, ASKED, IN_STEP, KEY_REFUSED, VERSION_REFUSED -> {
                if (!hears) {
                    lost();
                }
            }
        }
    }

    private void lost() {
        boolean follows = state == State.IN_STEP;
        enters(follows ? State.LOST : State.ALONE, leader + " is not heard any more");
        leaderAt = null;
        if (follows && part == Part.BACKUP) {
            part = Part.PRIMARY;
            enters(State.LEADS, "takes over from " + leader + " at cue " + position);
        }
    }

    private void sendPosition(Ipv4Address to) {
        send(SendIntent.SETTING, to, new DeskPacket.At(spec.session(), position, level));
    }

    private void ask() {
        if (leaderAt != null) {
            send(
                    SendIntent.ASKING,
                    leaderAt,
                    new DeskPacket.Enter(spec.session(), spec.name(), spec.version(), spec.key()));
        }
    }

    private void received(Packet arrived) {
        if (!arrived.source().equals(site.adapter().address().address())) {
            DeskCodec.decode(arrived.bytes())
                    .packet()
                    .filter(p -> p.session().equals(spec.session()))
                    .ifPresent(p -> take(p, arrived.source()));
        }
    }

    private void take(DeskPacket packet, Ipv4Address from) {
        if (packet instanceof DeskPacket.Here here && here.state() == State.LEADS) {
            led(here, from);
        } else if (packet instanceof DeskPacket.Enter enter && state == State.LEADS) {
            answer(enter, from);
        } else if (packet instanceof DeskPacket.Leave leave) {
            if (followers.remove(from) != null) {
                listener.accept(new StandinEvent.Desk(leave.name(), "left", ""));
            }
        } else if (from.equals(leaderAt)) {
            fromLeader(packet);
        }
    }

    private void led(DeskPacket.Here here, Ipv4Address from) {
        if (state == State.LEADS) {
            if (otherMains.size() < MOST_FOLLOWERS && otherMains.add(here.name())) {
                listener.accept(new StandinEvent.Desk(here.name(), "leads too", "two main desks in one session"));
            }
            return;
        }
        if (part == Part.PRIMARY) {
            part = Part.BACKUP;
            listener.accept(new StandinEvent.Desk(spec.name(), "is backup", here.name() + " leads already"));
        }
        if (leaderAt == null || from.equals(leaderAt)) {
            leaderAt = from;
            leader = here.name();
            leaderHeard = site.clock().now();
        }
    }

    private void answer(DeskPacket.Enter enter, Ipv4Address from) {
        Optional<State> refusal = spec.versions().compare(spec.version(), enter.version()) != Agreement.AGREE
                ? Optional.of(State.VERSION_REFUSED)
                : !enter.key().equals(spec.key()) ? Optional.of(State.KEY_REFUSED) : Optional.empty();
        if (refusal.isPresent()) {
            send(SendIntent.ASKING, from, new DeskPacket.Refused(spec.session(), refusal.get()));
            listener.accept(
                    new StandinEvent.Desk(enter.name(), "refused", refusal.get().words()));
            return;
        }
        if (followers.size() < MOST_FOLLOWERS || followers.containsKey(from)) {
            followers.put(from, enter.name());
            send(SendIntent.ASKING, from, new DeskPacket.Entered(spec.session(), show));
            listener.accept(new StandinEvent.Desk(enter.name(), "let in", ""));
        }
    }

    private void fromLeader(DeskPacket packet) {
        leaderHeard = site.clock().now();
        if (packet instanceof DeskPacket.Entered entered && state == State.ASKED) {
            String before = show;
            show = entered.show();
            enters(
                    State.IN_STEP,
                    before.isEmpty() || before.equals(show)
                            ? ""
                            : "“" + show + "” is open in place of “" + before + "”");
        } else if (packet instanceof DeskPacket.Refused refused && state == State.ASKED) {
            enters(refused.why(), "by " + leader);
        } else if (packet instanceof DeskPacket.At at && state == State.IN_STEP) {
            position = at.position();
            level = at.level();
        }
    }

    private void enters(State next, String why) {
        state = next;
        listener.accept(new StandinEvent.Desk(spec.name(), next.words(), why));
    }

    private void toAll(DeskPacket packet) {
        send(SendIntent.ASKING, site.adapter().broadcast(), packet);
    }

    private void send(SendIntent intent, Ipv4Address to, DeskPacket packet) {
        if (port != null) {
            SendResult sent = port.send(intent, to, DeskPacket.PORT, DeskCodec.encode(packet));
            if (sent.failed()) {
                failedSends.add(sent.why());
            }
        }
    }

    /** Says that it leaves, then closes; from any thread. */
    @Override
    public void close() {
        site.host().run(() -> {
            if (!closed) {
                closed = true;
                toAll(new DeskPacket.Leave(spec.session(), spec.name()));
                timers.forEach(Clock.Timer::cancel);
                Optional.ofNullable(port).ifPresent(UdpPort::close);
            }
        });
    }
}
