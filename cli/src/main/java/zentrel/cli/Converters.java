package zentrel.cli;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import picocli.CommandLine;
import picocli.CommandLine.TypeConversionException;
import zentrel.cli.Values.FixtureStart;
import zentrel.cli.Values.HopAnswer;
import zentrel.cli.Values.PortCount;
import zentrel.cli.Values.PortMerge;
import zentrel.cli.Values.PortUniverse;
import zentrel.cli.Values.Priority;
import zentrel.cli.Values.ProtocolUniverse;
import zentrel.cli.Values.Rate;
import zentrel.cli.Values.Seconds;
import zentrel.cli.Values.SlotLevel;
import zentrel.cli.Values.SlotRange;
import zentrel.cli.Values.Target;
import zentrel.cli.Values.UdpPort;
import zentrel.cli.Values.UniverseRanges;
import zentrel.ipv4.Endpoint;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.osc.OscFraming;
import zentrel.packet.rdm.Uid;
import zentrel.plan.Answer;
import zentrel.plan.NumberRange;
import zentrel.plan.Part;
import zentrel.plan.VersionRule;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.standin.CueStandin;

/** Reads the values of options; what does not fit is refused in a sentence that quotes it. */
final class Converters {
    private static final int SLOTS = 512;
    private static final int FULL = 255;
    private static final int LAST_PORT = 65_535;
    private static final int LAST_PRIORITY = 200;
    private static final int LONGEST_SECONDS = 1_000_000;
    private static final int FASTEST = 1_000;

    /** Groups joined at most in one run. */
    private static final int MOST_GROUPS = 512;

    /** 255 pages of four ports. */
    private static final int MOST_PORTS = 1020;

    private Converters() {}

    static void register(CommandLine line) {
        line.registerConverter(Ipv4Address.class, Converters::address);
        line.registerConverter(Protocol.class, Converters::protocol);
        line.registerConverter(Merge.class, Converters::merge);
        line.registerConverter(
                OscFraming.class,
                text -> word(OscFraming.values(), f -> f.name().toLowerCase(Locale.ROOT), text));
        line.registerConverter(
                CueStandin.Manner.class,
                text -> word(
                        CueStandin.Manner.values(),
                        m -> m.name().toLowerCase(Locale.ROOT).replace('_', '-'),
                        text));
        line.registerConverter(Part.class, text -> word(Part.values(), Part::title, text));
        line.registerConverter(VersionRule.class, text -> word(VersionRule.values(), VersionRule::word, text));
        line.registerConverter(ProtocolUniverse.class, Converters::universe);
        line.registerConverter(PortUniverse.class, Converters::port);
        line.registerConverter(SlotLevel.class, Converters::slot);
        line.registerConverter(UniverseRanges.class, Converters::ranges);
        line.registerConverter(SlotRange.class, Converters::slots);
        line.registerConverter(FixtureStart.class, Converters::fixtureStart);
        line.registerConverter(PortMerge.class, Converters::portMerge);
        line.registerConverter(PortCount.class, Converters::portCount);
        line.registerConverter(UdpPort.class, text -> new UdpPort(number("a UDP port", text, 1, LAST_PORT)));
        line.registerConverter(Target.class, Converters::target);
        line.registerConverter(Priority.class, text -> new Priority(number("a priority", text, 0, LAST_PRIORITY)));
        line.registerConverter(Seconds.class, text -> new Seconds(decimal("a time in seconds", text, LONGEST_SECONDS)));
        line.registerConverter(Rate.class, text -> new Rate(decimal("a rate", text, FASTEST)));
        line.registerConverter(HopAnswer.class, Converters::answer);
    }

    private static Ipv4Address address(String text) {
        try {
            return Ipv4Address.parse(text);
        } catch (IllegalArgumentException e) {
            throw new TypeConversionException(String.valueOf(e.getMessage()));
        }
    }

    private static Protocol protocol(String text) {
        for (Protocol protocol : Protocol.values()) {
            if (protocol.onNetwork() && protocol.word().equals(text)) {
                return protocol;
            }
        }
        throw new TypeConversionException("\"" + text + "\" is not a protocol; write artnet or sacn.");
    }

    private static Merge merge(String text) {
        return word(Merge.values(), Merge::word, text);
    }

    /** The constant that a word names. */
    private static <E extends Enum<E>> E word(E[] all, Function<E, String> words, String text) {
        return Arrays.stream(all)
                .filter(e -> words.apply(e).equals(text))
                .findFirst()
                .orElseThrow(() -> new TypeConversionException("write "
                        + Arrays.stream(all).map(words).limit(all.length - 1).collect(Collectors.joining(", ")) + " or "
                        + words.apply(all[all.length - 1]) + ", not \"" + text + "\"."));
    }

    private static ProtocolUniverse universe(String text) {
        String[] parts = two(text, ":", "PROTOCOL:UNIVERSE, such as artnet:4");
        Protocol protocol = protocol(parts[0]);
        return new ProtocolUniverse(
                protocol, number(protocol.title(), parts[1], protocol.firstNumber(), protocol.lastNumber()));
    }

    private static PortUniverse port(String text) {
        String[] parts = two(text, "=", "N=PROTOCOL:UNIVERSE, such as 1=artnet:4");
        return new PortUniverse(parts[0], universe(parts[1]));
    }

    private static SlotLevel slot(String text) {
        String[] parts = two(text, "=", "SLOT=LEVEL, such as 37=255");
        return new SlotLevel(number("a slot", parts[0], 1, SLOTS), number("a level", parts[1], 0, FULL));
    }

    private static UniverseRanges ranges(String text) {
        List<NumberRange> ranges;
        try {
            ranges = NumberRange.parse(text);
        } catch (IllegalArgumentException e) {
            throw new TypeConversionException(String.valueOf(e.getMessage()));
        }
        Set<Integer> numbers = new TreeSet<>();
        for (NumberRange range : ranges) {
            if (!Protocol.SACN.carries(range.first()) || !Protocol.SACN.carries(range.last())) {
                throw new TypeConversionException(
                        "sACN goes from 1 to " + Protocol.SACN.lastNumber() + ", not " + range + ".");
            }
            for (int n = range.first(); n <= range.last() && numbers.size() <= MOST_GROUPS; n++) {
                numbers.add(n);
            }
        }
        if (numbers.isEmpty() || numbers.size() > MOST_GROUPS) {
            throw tooMany(text);
        }
        return new UniverseRanges(List.copyOf(numbers));
    }

    private static TypeConversionException tooMany(String text) {
        return new TypeConversionException("write FIRST-LAST, or several with commas, at most " + MOST_GROUPS
                + " universes, not \"" + text + "\".");
    }

    private static SlotRange slots(String text) {
        String[] parts = text.split("-", -1);
        if (parts.length > 2) {
            throw new TypeConversionException("write FIRST-LAST, such as 1-24, not \"" + text + "\".");
        }
        int first = number("a slot", parts[0], 1, SLOTS);
        return new SlotRange(first, parts.length == 1 ? first : number("the last slot", parts[1], first, SLOTS));
    }

    private static FixtureStart fixtureStart(String text) {
        String[] parts = two(text, "=", "UID=SLOT, such as 7ff0:00000001=37");
        try {
            return new FixtureStart(Uid.parse(parts[0]), number("a slot", parts[1], 1, SLOTS));
        } catch (IllegalArgumentException e) {
            throw new TypeConversionException(String.valueOf(e.getMessage()));
        }
    }

    private static PortMerge portMerge(String text) {
        String[] parts = two(text, "=", "N=htp or N=ltp");
        return new PortMerge(number("a port", parts[0], 1, MOST_PORTS), merge(parts[1]));
    }

    private static PortCount portCount(String text) {
        String[] parts = two(text, "=", "N=COUNT, such as 1=12");
        return new PortCount(parts[0], number("a number of fixtures", parts[1], 1, SLOTS));
    }

    private static Target target(String text) {
        try {
            Endpoint endpoint = Endpoint.parse(text);
            return new Target(endpoint.address(), new UdpPort(endpoint.port()));
        } catch (IllegalArgumentException e) {
            throw new TypeConversionException(String.valueOf(e.getMessage()));
        }
    }

    private static HopAnswer answer(String text) {
        String[] parts = two(text, "=", "HOP=yes, HOP=no or HOP=cannot-tell");
        for (Answer answer : Answer.values()) {
            if (answer.word().equals(parts[1])) {
                return new HopAnswer(number("a hop", parts[0], 1, Integer.MAX_VALUE), answer);
            }
        }
        throw new TypeConversionException("an answer is yes, no or cannot-tell, not \"" + parts[1] + "\".");
    }

    private static String[] two(String text, String between, String form) {
        String[] parts = text.split(between, 2);
        if (parts.length != 2) {
            throw new TypeConversionException("write " + form + ", not \"" + text + "\".");
        }
        return parts;
    }

    private static int number(String what, String text, int first, int last) {
        try {
            int value = Integer.parseInt(text);
            if (value >= first && value <= last) {
                return value;
            }
        } catch (NumberFormatException e) {
            throw new TypeConversionException("\"" + text + "\" is not a whole number.");
        }
        throw new TypeConversionException(what + " goes from " + first + " to " + last + ", not " + text + ".");
    }

    private static double decimal(String what, String text, int most) {
        try {
            double value = Double.parseDouble(text);
            if (value > 0 && value <= most) {
                return value;
            }
        } catch (NumberFormatException e) {
            throw new TypeConversionException("\"" + text + "\" is not a number.");
        }
        throw new TypeConversionException(what + " is above 0 and at most " + most + ", not " + text + ".");
    }
}
