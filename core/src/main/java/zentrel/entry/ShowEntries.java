package zentrel.entry;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.plan.*;
import zentrel.plan.Session.Desk;

/** What can be entered of universes, lines and fixtures, of cables, and of what joins programs. */
final class ShowEntries {
    private static final int LAST_UNIVERSE = 99_999;
    private static final int LAST_PORT = 65_535;
    private static final Pattern MEMBER =
            Pattern.compile("(.+?)\\s+as\\s+(\\S+)(?:\\s+with\\s+key\\s+(.*?))?(?:\\s+((?:not\\s+)?entered))?");
    private static final Pattern VIA = Pattern.compile("(.+?)\\s+from\\s+(.+)");

    private static final List<Kind<?>> ENDS = List.of(Kind.HOST, Kind.ADAPTER, Kind.PORT, Kind.LINE, Kind.FIXTURE);

    private static final List<Kind<?>> ANYTHING =
            List.of(Kind.HOST, Kind.ADAPTER, Kind.APPLICATION, Kind.RECEIVER, Kind.PORT, Kind.CABLE);

    private ShowEntries() {}

    static List<Field<Universe>> universe() {
        return new FieldList<>(Kind.UNIVERSE)
                .value("name", "Name", "name", Formats.TEXT, Universe::name, Universe::withName)
                .value(
                        "number",
                        "Number in the show",
                        "number",
                        Formats.whole("A universe", 1, LAST_UNIVERSE),
                        Universe::number,
                        Universe::withNumber)
                .value("merge", "Merged on purpose", "merge", Formats.YES, Universe::merge, Universe::withMerge)
                .all();
    }

    static List<Field<Line>> line() {
        return new FieldList<>(Kind.LINE)
                .value("name", "Name", "name", Formats.TEXT, Line::name, Line::withName)
                .value("port", "Starts at", "port", Formats.reference(Kind.PORT), Line::port, Line::withPort)
                .optional("via", "Passed on by", "via", VIA_FORMAT, Line::via, Line::withVia)
                .all();
    }

    /** A device that passes another line on: {@code Splitter from Line 2}. */
    private static final Format<Via> VIA_FORMAT = new Format<>() {
        @Override
        public String shown(Plan plan, Via via) {
            return Formats.reference(Kind.HOST).shown(plan, via.device()) + " from "
                    + Formats.reference(Kind.LINE).shown(plan, via.from());
        }

        @Override
        public Via read(Plan plan, String text) {
            Matcher m = VIA.matcher(text);
            if (!m.matches()) {
                throw new IllegalArgumentException(
                        "\"" + text + "\" does not say which device passes which line on; write DEVICE from LINE.");
            }
            return new Via(
                    Formats.reference(Kind.HOST).read(plan, m.group(1)),
                    Formats.reference(Kind.LINE).read(plan, m.group(2)));
        }

        @Override
        public String hint() {
            return "DEVICE from LINE";
        }
    };

    static List<Field<Cable>> cable() {
        return new FieldList<>(Kind.CABLE)
                .value("name", "Name", "name", Formats.TEXT, Cable::name, Cable::withName)
                .value("kind", "Kind", "kind", Formats.word(CableKind.class), Cable::kind, Cable::withKind)
                .value("from", "From", "from", Formats.reference(ENDS), Cable::from, Cable::withFrom)
                .value("to", "To", "to", Formats.reference(ENDS), Cable::to, Cable::withTo)
                .value("connected", "Plugged in", "connected", Formats.YES, Cable::connected, Cable::withConnected)
                .all();
    }

    static List<Field<Session>> session() {
        return new FieldList<>(Kind.SESSION)
                .value("name", "Name", "name", Formats.TEXT, Session::name, Session::withName)
                .value("key", "Key", "key", Formats.TEXT, Session::key, Session::withKey)
                .value(
                        "versions",
                        "Versions must agree",
                        "versions",
                        Formats.word(VersionRule.class),
                        Session::versions,
                        Session::withVersions)
                .value("desks", "Desks", "desks", Formats.list(DESK), Session::desks, Session::withDesks)
                .all();
    }

    /** A desk of a session with its part: {@code Hut desk as main}. */
    private static final Format<Desk> DESK = new Format<>() {
        private final Format<Part> part = Formats.choice(List.of(Part.values()), Part::title, Control.CHOICE);

        @Override
        public String shown(Plan plan, Desk m) {
            return Formats.reference(Kind.APPLICATION).shown(plan, m.application()) + " as "
                    + part.shown(plan, m.part())
                    + m.key().map(k -> " with key " + k).orElse("")
                    + m.entered().map(e -> e ? " entered" : " not entered").orElse("");
        }

        @Override
        public Desk read(Plan plan, String text) {
            Matcher m = MEMBER.matcher(text);
            if (!m.matches()) {
                throw new IllegalArgumentException(
                        "\"" + text
                                + "\" does not say which part a desk has; write PROGRAM as main, backup, remote, previs or node.");
            }
            return new Desk(
                    Formats.reference(Kind.APPLICATION).read(plan, m.group(1)),
                    part.read(plan, m.group(2)),
                    Optional.ofNullable(m.group(3)),
                    Optional.ofNullable(m.group(4)).map("entered"::equals));
        }

        @Override
        public String hint() {
            return "PROGRAM as main";
        }
    };

    /** One message: its values with | between, and what it is for after a colon and a space. */
    private static final Format<LinkMessage> MESSAGE = new Format<>() {
        @Override
        public String shown(Plan plan, LinkMessage m) {
            String values = String.join(" | ", m.values());
            return m.label().isEmpty() && !values.contains(": ") ? values : m.label() + ": " + values;
        }

        @Override
        public LinkMessage read(Plan plan, String text) {
            int colon = text.indexOf(": ");
            String label = colon < 0 ? "" : text.substring(0, colon).strip();
            String values = text.substring(colon < 0 ? 0 : colon + 2);
            return new LinkMessage(
                    label,
                    Arrays.stream(values.split("\\|", -1)).map(String::strip).toList());
        }

        @Override
        public String hint() {
            return "LABEL: 1 | 7.2";
        }
    };

    static List<Field<ControlLink>> link() {
        return new FieldList<>(Kind.LINK)
                .value("name", "Name", "name", Formats.TEXT, ControlLink::name, ControlLink::withName)
                .value(
                        "from",
                        "Sent by",
                        "from",
                        Formats.reference(Kind.APPLICATION),
                        ControlLink::from,
                        ControlLink::withFrom)
                .value(
                        "receiver",
                        "Received by",
                        "to",
                        Formats.reference(Kind.APPLICATION),
                        ControlLink::to,
                        ControlLink::withTo)
                .setting(
                        "destination",
                        "Destination",
                        "destination",
                        NetworkFormats.ADDRESS,
                        ControlLink::destination,
                        ControlLink::withDestination)
                .setting(
                        "port",
                        "Port",
                        "port",
                        Formats.whole("A UDP port", 1, LAST_PORT),
                        ControlLink::port,
                        ControlLink::withPort)
                .value(
                        "pattern",
                        "OSC address",
                        "pattern",
                        Formats.TEXT,
                        ControlLink::pattern,
                        ControlLink::withPattern)
                .value(
                        "arguments",
                        "Sent after it",
                        "arguments",
                        Formats.TEXT,
                        ControlLink::arguments,
                        ControlLink::withArguments)
                .value(
                        "transport",
                        "Sent by",
                        "transport",
                        Formats.choice(List.of(LinkTransport.values()), LinkTransport::title, Format.Control.CHOICE),
                        ControlLink::transport,
                        ControlLink::withTransport)
                .value(
                        "messages",
                        "Messages",
                        "messages",
                        Formats.list(MESSAGE, ";"),
                        ControlLink::messages,
                        ControlLink::withMessages)
                .value(
                        "controls",
                        "Controls of a surface",
                        "controls",
                        Formats.list(SurfaceFormat.CONTROL, ";"),
                        ControlLink::controls,
                        ControlLink::withControls)
                .setting(
                        "enabled", "Switched on", "enabled", Formats.ON, ControlLink::enabled, ControlLink::withEnabled)
                .value("answer", "Needs an answer", "answer", Formats.YES, ControlLink::answer, ControlLink::withAnswer)
                .optionalSetting(
                        "answer-port",
                        "Answer port",
                        "answerPort",
                        Formats.whole("A UDP port", 1, LAST_PORT),
                        ControlLink::answerPort,
                        ControlLink::withAnswerPort)
                .all();
    }

    static List<Field<Attachment>> attachment() {
        return new FieldList<>(Kind.ATTACHMENT)
                .value("name", "Name", "name", Formats.TEXT, Attachment::name, Attachment::withName)
                .value(
                        "console",
                        "Sent by",
                        "from",
                        Formats.reference(Kind.APPLICATION),
                        Attachment::from,
                        Attachment::withFrom)
                .value(
                        "previs",
                        "Received by",
                        "to",
                        Formats.reference(Kind.APPLICATION),
                        Attachment::to,
                        Attachment::withTo)
                .setting(
                        "sending",
                        "Stream of the console",
                        "sending",
                        Formats.ON,
                        Attachment::sending,
                        Attachment::withSending)
                .setting(
                        "chosen",
                        "Chosen as the input",
                        "chosen",
                        Formats.YES,
                        Attachment::chosen,
                        Attachment::withChosen)
                .optionalSetting(
                        "destination",
                        "Destination",
                        "destination",
                        NetworkFormats.ADDRESS,
                        Attachment::destination,
                        Attachment::withDestination)
                .value(
                        "versions",
                        "Versions must agree",
                        "versions",
                        Formats.word(VersionRule.class),
                        Attachment::versions,
                        Attachment::withVersions)
                .optional("driver", "Driver needed", "driver", Formats.TEXT, Attachment::driver, Attachment::withDriver)
                .value("sign", "Sign of a connection", "sign", Formats.TEXT, Attachment::sign, Attachment::withSign)
                .all();
    }

    static List<Field<TypedCopy>> copy() {
        return new FieldList<>(Kind.COPY)
                .value("name", "Where it is typed", "name", Formats.TEXT, TypedCopy::name, TypedCopy::withName)
                .value("owner", "Kept by", "owner", Formats.reference(ANYTHING), TypedCopy::owner, TypedCopy::withOwner)
                .value("of", "Copy of", "of", Formats.reference(ANYTHING), TypedCopy::of, TypedCopy::withOf)
                .setting("value", "Value", "value", Formats.TEXT, TypedCopy::value, TypedCopy::withValue)
                .all();
    }
}
