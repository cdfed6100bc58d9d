package zentrel.standin;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.packet.artnet.ArtAddress;
import zentrel.packet.artnet.ArtAddressCommand;
import zentrel.plan.Loss;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.universe.PortAddress;

/**
 * The settings of a node that ArtAddress changes: its names, and its ports on pages whose ports share one Net and Sub-Net. Lives in the
 * net's turn.
 */
final class NodePages {
    /** A page: its ports, and what they share. */
    static final class Page {
        private final int bindIndex;
        private int net;
        private int subNet;
        private final List<StandinPort> ports = new ArrayList<>();

        Page(int bindIndex, int netAndSubNet) {
            this.bindIndex = bindIndex;
            net = netAndSubNet >> 4;
            subNet = netAndSubNet & 0xF;
        }

        int bindIndex() {
            return bindIndex;
        }

        int net() {
            return net;
        }

        int subNet() {
            return subNet;
        }

        List<StandinPort> ports() {
            return ports;
        }

        private int portAddress(int low) {
            return net << 8 | subNet << 4 | low;
        }
    }

    private final List<Page> pages = new ArrayList<>();
    private String shortName;
    private String longName;
    private Loss loss = Loss.HOLD;
    private boolean locates;

    /** Puts ports on pages in their order; a page ends where the next port shares no Net and Sub-Net with it. */
    NodePages(String shortName, String longName, List<StandinPort> ports, int portsOnPage) {
        this.shortName = shortName;
        this.longName = longName;
        for (StandinPort port : ports) {
            Page last = pages.isEmpty() ? null : pages.get(pages.size() - 1);
            if (last == null
                    || last.ports.size() == portsOnPage
                    || (last.net << 4 | last.subNet) != block(port.wire())) {
                last = new Page(pages.size() + 1, block(port.wire()));
                pages.add(last);
            }
            last.ports.add(port);
        }
        if (pages.isEmpty()) {
            pages.add(new Page(1, 0));
        }
        ports.stream().findFirst().ifPresent(p -> loss = p.loss());
    }

    /** Net and Sub-Net of a number; sACN has numbers that Art-Net cannot tell, and they are told as of its last block. */
    private static int block(int wire) {
        return Math.min(wire, PortAddress.LAST) >> 4;
    }

    List<Page> pages() {
        return pages;
    }

    String shortName() {
        return shortName;
    }

    String longName() {
        return longName;
    }

    Loss loss() {
        return loss;
    }

    /** Whether it blinks so that it is found. */
    boolean locates() {
        return locates;
    }

    List<StandinPort> ports() {
        return pages.stream().flatMap(p -> p.ports.stream()).toList();
    }

    /** The port with an output of this Port-Address. */
    Optional<StandinPort> output(int portAddress) {
        return ports().stream()
                .filter(p -> p.output() && p.wire() == portAddress)
                .findFirst();
    }

    /** Does what a packet says; what it changed, in words. */
    List<String> set(ArtAddress a) {
        List<String> changes = new ArrayList<>();
        if (!a.shortName().isEmpty() && !a.shortName().equals(shortName)) {
            shortName = a.shortName();
            changes.add("short name " + shortName);
        }
        if (!a.longName().isEmpty() && !a.longName().equals(longName)) {
            longName = a.longName();
            changes.add("long name " + longName);
        }
        int bind = Math.max(1, a.bindIndex());
        pages.stream().filter(p -> p.bindIndex == bind).findFirst().ifPresent(page -> set(page, a, changes));
        return changes;
    }

    private void set(Page page, ArtAddress a, List<String> changes) {
        if ((a.netSwitch() & ArtAddress.WRITE) != 0) {
            page.net = a.netSwitch() & 0x7F;
        }
        if ((a.subSwitch() & ArtAddress.WRITE) != 0) {
            page.subNet = a.subSwitch() & 0xF;
        }
        for (int i = 0; i < page.ports.size(); i++) {
            StandinPort old = page.ports.get(i);
            int written = (old.output() ? a.swOut() : a.swIn()).at(i);
            int low = (written & ArtAddress.WRITE) != 0 ? written & 0xF : old.wire() & 0xF;
            put(page, i, with(old, old.protocol(), page.portAddress(low), old.output(), old.merge()), changes);
        }
        command(page, a.command(), changes);
    }

    private void command(Page page, int value, List<String> changes) {
        ArtAddressCommand command = ArtAddressCommand.of((byte) value);
        int i = command.index(value);
        switch (command) {
            case INDICATORS_LOCATE -> {
                locates = true;
                changes.add("its lights blink");
            }
            case INDICATORS_NORMAL, INDICATORS_MUTE -> {
                locates = false;
                changes.add("its lights are as usual");
            }
            case FAILSAFE_HOLD -> lose(Loss.HOLD, changes);
            case FAILSAFE_ZERO -> lose(Loss.BLACK, changes);
            case FAILSAFE_FULL -> lose(Loss.FULL, changes);
            case FAILSAFE_SCENE -> lose(Loss.SCENE, changes);
            case MERGE_LTP, MERGE_HTP, DIRECTION_INPUT, DIRECTION_OUTPUT, ARTNET, SACN -> {
                if (i < page.ports.size()) {
                    StandinPort p = page.ports.get(i);
                    put(
                            page,
                            i,
                            switch (command) {
                                case MERGE_LTP -> with(p, p.protocol(), p.wire(), p.output(), Merge.LTP);
                                case MERGE_HTP -> with(p, p.protocol(), p.wire(), p.output(), Merge.HTP);
                                case DIRECTION_INPUT -> with(p, p.protocol(), p.wire(), false, p.merge());
                                case DIRECTION_OUTPUT -> with(p, p.protocol(), p.wire(), true, p.merge());
                                case ARTNET -> with(p, Protocol.ARTNET, p.wire(), p.output(), p.merge());
                                default -> with(p, Protocol.SACN, p.wire(), p.output(), p.merge());
                            },
                            changes);
                }
            }
            default -> {} // nothing that a stand-in has
        }
    }

    private void lose(Loss value, List<String> changes) {
        if (loss != value) {
            loss = value;
            pages.forEach(page -> page.ports.replaceAll(p -> new StandinPort(
                    p.id(), p.protocol(), p.wire(), p.output(), p.enabled(), p.live(), p.merge(), p.sources(), value)));
            changes.add("without a source it " + value.words());
        }
    }

    private static StandinPort with(StandinPort p, Protocol protocol, int wire, boolean output, Merge merge) {
        return new StandinPort(p.id(), protocol, wire, output, p.enabled(), p.live(), merge, p.sources(), p.loss());
    }

    private static void put(Page page, int i, StandinPort now, List<String> changes) {
        if (!now.equals(page.ports.get(i))) {
            page.ports.set(i, now);
            changes.add("port " + now.id() + " " + (now.output() ? "output" : "input") + " "
                    + now.protocol().title() + " " + now.wire() + " " + now.merge());
        }
    }
}
