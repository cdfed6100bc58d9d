package zentrel.routing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.table.Columns;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;
import zentrel.text.Counted;
import zentrel.universe.PortAddress;
import zentrel.universe.SacnUniverse;

/** Who takes which universe by which number, as a table for a spreadsheet, and back again. */
public final class RoutingTable {
    /** What a column may hold. */
    public enum Column implements Columns.Kind {
        RECEIVER("receiver", "receiver|node|device|host|name"),
        PORT("port", "port|output|connector"),
        PROTOCOL("protocol", "protocol|by"),
        NUMBER("number", "number|universe number|wire|address"),
        UNIVERSE("universe", "universe|show universe|u"),
        ENABLED("on", "on|enabled|active");

        private final String title;
        private final String headings;

        Column(String title, String headings) {
            this.title = title;
            this.headings = headings;
        }

        @Override
        public Columns.Words words() {
            return new Columns.Words(title, headings);
        }
    }

    /**
     * A table taken over.
     *
     * @param changes one line for each port that changes
     * @param same how many rows say what the plan says
     */
    public record Taken(Edit edit, List<String> changes, int same, List<LeftOut> leftOut) {
        public Taken {
            changes = List.copyOf(changes);
            leftOut = List.copyOf(leftOut);
        }
    }

    private static final List<String> HEAD = List.of(
            "Receiver",
            "Port",
            "Protocol",
            "Number",
            "On",
            "Universe",
            "Name",
            "Group or Port-Address",
            "Sent by",
            "Fixtures");

    private RoutingTable() {}

    /** A row for each port of each receiver that takes streams. */
    public static TextTable of(Plan plan) {
        PlanIndex index = plan.index();
        List<List<String>> rows = new ArrayList<>();
        rows.add(HEAD);
        for (Receiver receiver : plan.receivers()) {
            for (Port port : receiver.ports()) {
                Protocol protocol = port.protocol().planned();
                if (!protocol.onNetwork()) {
                    continue;
                }
                List<Universe> universes = index.universesOf(port.id()).stream()
                        .map(index::universe)
                        .toList();
                int fixtures = index.linesOf(port.id()).stream()
                        .mapToInt(l -> index.fixturesOn(l.id()).size())
                        .sum();
                rows.add(List.of(
                        receiver.name(),
                        port.name(),
                        protocol.title(),
                        port.wire().map(w -> String.valueOf(w.planned())).orElse(""),
                        port.enabled().planned() ? "yes" : "no",
                        String.join(" ", universes.stream().map(Universe::label).toList()),
                        String.join(", ", universes.stream().map(Universe::name).toList()),
                        port.wire().map(w -> dress(protocol, w.planned())).orElse(""),
                        String.join(
                                ", ",
                                universes.stream()
                                        .flatMap(u -> index.streamsOf(u.id()).stream())
                                        .filter(s -> s.protocol() == protocol)
                                        .map(s -> index.name(s.application()))
                                        .distinct()
                                        .toList()),
                        String.valueOf(fixtures)));
            }
        }
        return new TextTable(rows);
    }

    private static String dress(Protocol protocol, int wire) {
        if (!protocol.carries(wire)) {
            return "does not exist";
        }
        return protocol == Protocol.SACN ? SacnUniverse.group(wire).toString() : new PortAddress(wire).toString();
    }

    /**
     * Takes a table over: each row sets the protocol, the number and the switch of one port. A row that will not do is left out
     * and said so.
     *
     * @throws IllegalArgumentException with a sentence, where the columns do not say which port a row is about
     */
    public static Taken take(Plan plan, TextTable table) {
        Columns<Column> columns = Columns.headed(table, List.of(Column.values()), List.of());
        if (!columns.at().containsKey(Column.RECEIVER) || !columns.at().containsKey(Column.PORT)) {
            throw new IllegalArgumentException(
                    "No columns say which port a row is about: give two of them the headings Receiver and Port.");
        }
        Map<String, Port> ports = new HashMap<>();
        for (Receiver receiver : plan.receivers()) {
            receiver.ports().forEach(p -> ports.putIfAbsent(key(receiver.name(), p.name()), p));
        }
        Map<Id<Port>, UnaryOperator<Port>> edits = new HashMap<>();
        List<String> changes = new ArrayList<>();
        List<LeftOut> leftOut = new ArrayList<>();
        int same = 0;
        for (int row = columns.first(); row < table.rows().size(); row++) {
            if (table.isBlank(row)) {
                continue;
            }
            try {
                Map<Column, String> cells = table.row(row, columns.at());
                Port port = Optional.ofNullable(ports.get(
                                key(cells.getOrDefault(Column.RECEIVER, ""), cells.getOrDefault(Column.PORT, ""))))
                        .orElseThrow(() -> new IllegalArgumentException("the plan has no port \""
                                + cells.get(Column.PORT) + "\" at \"" + cells.get(Column.RECEIVER) + "\""));
                UnaryOperator<Port> edit = edit(plan, port, cells);
                Port after = edit.apply(port);
                if (after.equals(port)) {
                    same++;
                } else if (edits.putIfAbsent(port.id(), edit) == null) {
                    changes.add(plan.index().name(port.id()) + ": " + shown(port) + " becomes " + shown(after));
                } else {
                    throw new IllegalArgumentException("an earlier row is about this port already");
                }
            } catch (IllegalArgumentException e) {
                leftOut.add(new LeftOut(row + 1L, String.valueOf(e.getMessage())));
            }
        }
        Map<Id<Port>, UnaryOperator<Port>> all = Map.copyOf(edits);
        return new Taken(
                new Edit("Import a table of " + Counted.of(all.size(), "port"), p -> {
                    List<Receiver> receivers = new ArrayList<>(p.receivers());
                    receivers.replaceAll(r -> r.ports().stream().anyMatch(x -> all.containsKey(x.id()))
                            ? r.withPorts(r.ports().stream()
                                    .map(x -> all.getOrDefault(x.id(), UnaryOperator.identity())
                                            .apply(x))
                                    .toList())
                            : r);
                    return p.with(Kind.RECEIVER, receivers);
                }),
                changes,
                same,
                leftOut);
    }

    private static String key(String receiver, String port) {
        return receiver.toLowerCase(Locale.ROOT) + "\n" + port.toLowerCase(Locale.ROOT);
    }

    private static String shown(Port port) {
        return port.protocol().planned().title()
                + port.wire().map(w -> " " + w.planned()).orElse(", no number")
                + (port.enabled().planned() ? "" : ", off");
    }

    private static UnaryOperator<Port> edit(Plan plan, Port port, Map<Column, String> cells) {
        String by = cells.getOrDefault(Column.PROTOCOL, "");
        Protocol protocol = by.isEmpty() ? port.protocol().planned() : protocol(by);
        if (!plan.index().receiverOf(port.id()).protocols().contains(protocol)) {
            throw new IllegalArgumentException("it does not take " + protocol.title());
        }
        String number = cells.getOrDefault(Column.NUMBER, "");
        if (!number.isEmpty() && (!number.matches("\\d{1,5}") || !protocol.carries(Integer.parseInt(number)))) {
            throw new IllegalArgumentException("\"" + number + "\" is no number of " + protocol.title()
                    + ", which goes from " + protocol.firstNumber() + " to " + protocol.lastNumber());
        }
        String on = cells.getOrDefault(Column.ENABLED, "").toLowerCase(Locale.ROOT);
        if (!on.isEmpty()
                && !List.of("yes", "no", "on", "off", "true", "false", "1", "0").contains(on)) {
            throw new IllegalArgumentException("\"" + on + "\" does not say whether it is on; write yes or no");
        }
        boolean enabled = on.isEmpty()
                ? port.enabled().planned()
                : List.of("yes", "on", "true", "1").contains(on);
        return p -> {
            Port next = p.protocol().planned() == protocol ? p : p.withProtocol(protocol);
            if (!number.isEmpty()
                    && next.wire()
                            .filter(w -> w.planned() == Integer.parseInt(number))
                            .isEmpty()) {
                next = next.withWire(Integer.parseInt(number));
            }
            return next.enabled().planned() == enabled ? next : next.withEnabled(enabled);
        };
    }

    private static Protocol protocol(String text) {
        String plain = text.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", "");
        for (Protocol protocol : Protocol.values()) {
            if (protocol.onNetwork()
                    && protocol.word().replaceAll("[^a-z0-9]", "").equals(plain)) {
                return protocol;
            }
        }
        throw new IllegalArgumentException("\"" + text + "\" is no protocol; write Art-Net or sACN");
    }
}
