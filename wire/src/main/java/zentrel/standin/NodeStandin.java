package zentrel.standin;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Clock;
import zentrel.net.NetAdapter;
import zentrel.net.Packet;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.Bytes;
import zentrel.packet.artnet.ArtAddress;
import zentrel.packet.artnet.ArtIpProg;
import zentrel.packet.artnet.ArtIpProgReply;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.artnet.ArtRdm;
import zentrel.packet.artnet.ArtTodControl;
import zentrel.packet.artnet.ArtTodData;
import zentrel.packet.artnet.ArtTodRequest;
import zentrel.universe.PortAddress;

/**
 * A stand-in of a node at full size: it takes levels, answers polls, can be set by ArtAddress and ArtIpProg, is away while it restarts
 * at another address, and passes RDM on to the fixtures on its outputs. It lives in the net's turn.
 */
public final class NodeStandin implements AutoCloseable {
    private final StandinSite first;
    private final NodeTraits traits;
    private final boolean answersPolls;
    private final Predicate<Ipv4Address> planned;
    private final Consumer<StandinEvent> listener;
    private final NodePages pages;
    private final NodeRdm rdm;
    private final FailedSends failedSends;
    private final Bytes mac;
    private StandinSite site;
    private Ipv4Address mask;
    private Ipv4Address gateway = Ipv4Address.ANY;
    private boolean byDhcp;
    private int answers;
    private @Nullable Ipv4Address sender;
    private volatile @Nullable LevelStandin levels;
    private Clock.@Nullable Timer restart;
    private boolean closed;
    private Function<HostAddress, Optional<NetAdapter>> takesAddress;

    /**
     * A node that does not run yet.
     *
     * @param name the shorter of its names
     * @param answersPolls whether it answers polls; it can be set all the same
     * @param planned whether a source of the plan has an address; there is room for it however many others there are
     */
    public NodeStandin(
            StandinSite site,
            String name,
            List<StandinPort> ports,
            boolean answersPolls,
            NodeTraits traits,
            Predicate<Ipv4Address> planned,
            Consumer<StandinEvent> listener) {
        this.first = site;
        this.site = site;
        this.traits = traits;
        this.answersPolls = answersPolls;
        this.planned = planned;
        this.listener = listener;
        this.failedSends = new FailedSends(listener);
        pages = new NodePages(name, traits.longName(), ports, traits.portsOnPage());
        rdm = new NodeRdm(traits.fixtures(), what -> wasSet(what));
        mac = ReplyPage.mac(site.adapter().address().address());
        mask = site.adapter().address().mask();
        takesAddress = a -> this.site.host().adapterAt(a.address());
    }

    /** Lets its computer take an address that is set, where it would not have it by itself; before it starts. */
    public NodeStandin readdressedBy(Function<HostAddress, Optional<NetAdapter>> computer) {
        takesAddress = computer;
        return this;
    }

    /**
     * Opens its ports and starts; from any thread.
     *
     * @throws IOException with a sentence, if a port cannot be had
     */
    public void start() throws IOException {
        first.host().call(() -> {
            open();
            return true;
        });
    }

    private void open() throws IOException {
        LevelStandin next = new LevelStandin(
                site, site, pages.shortName(), pages.ports(), answersPolls, planned, listener, new Told());
        next.start();
        levels = next;
    }

    private void wasSet(String what) {
        Ipv4Address by = sender;
        listener.accept(new StandinEvent.WasSet(by == null ? Ipv4Address.ANY : by, what));
    }

    /** What it says and takes by Art-Net beside levels. */
    private final class Told implements LevelStandin.Face {
        @Override
        public List<ArtPollReply> pages(Ipv4Address address, List<StandinPort> artnetPorts) {
            answers++;
            return pages.pages().stream().map(p -> page(address, p)).toList();
        }

        @Override
        public void take(ArtNetPacket packet, Packet arrived, UdpPort port) {
            sender = arrived.source();
            if (packet instanceof ArtTodRequest asked) {
                asked.addresses().forEach(low -> list(asked.net() << 8 | low, arrived.source(), port));
            } else if (packet instanceof ArtTodControl control) {
                list(control.portAddress().value(), arrived.source(), port);
            } else if (packet instanceof ArtRdm question) {
                pages.output(question.portAddress().value())
                        .flatMap(p -> rdm.answer(p.id(), question.message()))
                        .ifPresent(a -> answer(port, arrived.source(), new ArtRdm(question.portAddress(), a)));
            } else if (traits.canBeSet() && packet instanceof ArtAddress address) {
                set(address, arrived.source());
            } else if (traits.canBeSet() && packet instanceof ArtIpProg prog) {
                set(prog, arrived.source(), port);
            }
        }
    }

    private ArtPollReply page(Ipv4Address address, NodePages.Page page) {
        int loss = switch (pages.loss()) {
            case BLACK -> 1;
            case FULL -> 2;
            case SCENE -> 3;
            case HOLD, NOT_KNOWN -> 0;
        };
        return new ReplyPage(
                        pages.shortName(),
                        pages.longName(),
                        "#0001 [%04d] stand-in".formatted(answers % 10_000),
                        traits.firmware(),
                        traits.maker(),
                        mac,
                        pages.locates() ? ReplyPage.LIGHTS_LOCATE : ReplyPage.LIGHTS_NORMAL,
                        ArtPollReply.WIDE_ADDRESSES | ArtPollReply.CAN_SACN | (byDhcp ? ArtPollReply.BY_DHCP : 0),
                        ArtPollReply.HAS_FAILSAFE | loss << 6)
                .of(address, page.net(), page.subNet(), page.ports(), page.bindIndex());
    }

    private void answer(UdpPort port, Ipv4Address to, ArtNetPacket packet) {
        SendResult sent = port.send(SendIntent.ASKING, to, ArtNetPacket.PORT, ArtNetCodec.encode(packet));
        if (sent.failed()) {
            failedSends.add(sent.why());
        }
    }

    private void set(ArtAddress address, Ipv4Address from) {
        List<StandinPort> before = pages.ports();
        List<String> changes = pages.set(address);
        changes.forEach(this::wasSet);
        if (!pages.ports().equals(before)) {
            reopen();
        }
        if (answersPolls) { // the answer is an ArtPollReply
            answers++;
            Ipv4Address own = site.adapter().address().address();
            for (NodePages.Page page : pages.pages()) {
                if (page.bindIndex() == Math.max(1, address.bindIndex())) {
                    site.host().run(() -> answerBy(from, page(own, page)));
                }
            }
        }
    }

    /** Answers by the port that is open then: what was set may have opened another. */
    private void answerBy(Ipv4Address to, ArtNetPacket packet) {
        LevelStandin open = levels;
        if (open != null) {
            open.artnetPort().ifPresent(p -> answer(p, to, packet));
        }
    }

    private void reopen() {
        Optional.ofNullable(levels).ifPresent(LevelStandin::closeNow);
        levels = null;
        try {
            open();
        } catch (IOException e) {
            failedSends.add(String.valueOf(e.getMessage()));
        }
    }

    private void set(ArtIpProg prog, Ipv4Address from, UdpPort port) {
        List<String> changes = new ArrayList<>();
        Ipv4Address address = site.adapter().address().address();
        Ipv4Address wanted = address;
        if (prog.sets(ArtIpProg.DHCP)) {
            byDhcp = true;
            changes.add("address by DHCP");
        } else {
            if (prog.sets(ArtIpProg.MASK)) {
                mask = prog.mask();
                changes.add("mask " + mask);
            }
            if (prog.sets(ArtIpProg.GATEWAY)) {
                gateway = prog.gateway();
                changes.add("gateway " + gateway);
            }
            if (prog.sets(ArtIpProg.ADDRESS)) {
                byDhcp = false;
                wanted = prog.address();
                changes.add("address " + wanted);
            }
        }
        answer(
                port,
                from,
                new ArtIpProgReply(wanted, mask, ArtNetPacket.PORT, byDhcp ? ArtIpProgReply.DHCP : 0, gateway));
        changes.forEach(this::wasSet);
        if (!wanted.equals(address)) {
            Ipv4Address to = wanted;
            Optional.ofNullable(levels).ifPresent(LevelStandin::closeNow);
            levels = null;
            Optional.ofNullable(restart).ifPresent(Clock.Timer::cancel);
            restart = site.clock().at(site.clock().now() + traits.restart().toNanos(), () -> comeBack(to));
        }
    }

    private void comeBack(Ipv4Address address) {
        if (closed) {
            return;
        }
        Optional<NetAdapter> there = takesAddress.apply(new HostAddress(address, Integer.bitCount(mask.bits())));
        if (there.isEmpty()) {
            failedSends.add("This computer has no address " + address + ", so the stand-in cannot answer there.");
            return;
        }
        site = new StandinSite(site.host(), there.get());
        reopen();
    }

    private void list(int portAddress, Ipv4Address to, UdpPort port) {
        for (NodePages.Page page : pages.pages()) {
            for (int i = 0; i < page.ports().size(); i++) {
                StandinPort output = page.ports().get(i);
                if (output.output() && output.wire() == portAddress) {
                    List<RdmFixture> fixtures = rdm.on(output.id());
                    for (int at = 0, block = 0; at == 0 || at < fixtures.size(); at += ArtTodData.MOST, block++) {
                        answer(
                                port,
                                to,
                                new ArtTodData(
                                        i + 1,
                                        page.bindIndex(),
                                        0,
                                        new PortAddress(portAddress),
                                        fixtures.size(),
                                        block,
                                        fixtures.subList(at, Math.min(fixtures.size(), at + ArtTodData.MOST)).stream()
                                                .map(RdmFixture::uid)
                                                .toList()));
                    }
                }
            }
        }
    }

    /** What a port puts out now: 512 levels; zeros for a port that is not known, or while it restarts. From any thread. */
    public byte[] levels(String port) {
        LevelStandin now = levels;
        return now == null ? new byte[512] : now.levels(port);
    }

    /** What kept it from receiving all, as a sentence; from any thread. */
    public Optional<String> trouble() {
        LevelStandin now = levels;
        return now == null ? Optional.empty() : now.trouble();
    }

    /** Stops; from any thread. */
    @Override
    public void close() {
        first.host().run(() -> {
            closed = true;
            Optional.ofNullable(restart).ifPresent(Clock.Timer::cancel);
            Optional.ofNullable(levels).ifPresent(LevelStandin::closeNow);
        });
    }
}
