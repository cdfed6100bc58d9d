package zentrel.path.words;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import zentrel.ipv4.HostAddress;
import zentrel.path.Facts;
import zentrel.path.ShownNumber;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.profile.Traffic;
import zentrel.source.Sourced;
import zentrel.text.Word;

/**
 * How a fact is written: {@code {adapter}} as people call it, {@code {adapter.own}} by its own name alone, {@code {adapter.at}} with
 * its address. Lists are joined by commas, or by "and" where the place ends in {@code .and}.
 */
final class Values {
    private final PlanIndex index;
    private final BiFunction<String, Facts, String> phrases;

    /** @param phrases says facts that are part of others, by their form */
    Values(PlanIndex index, BiFunction<String, Facts, String> phrases) {
        this.index = index;
        this.phrases = phrases;
    }

    /** What stands at a place of a text. */
    String shown(Facts facts, String place) {
        int dot = place.indexOf('.');
        String name = dot < 0 ? place : place.substring(0, dot);
        return shown(facts.get(name), dot < 0 ? "" : place.substring(dot + 1));
    }

    /** What is counted at a place: a number, or how many are in a list. */
    Number counted(Facts facts, String place) {
        Object value = facts.get(place);
        return value instanceof Collection<?> all ? (Number) all.size() : (Number) value;
    }

    private String shown(Object value, String how) {
        if (value instanceof Collection<?> all) {
            boolean and = how.equals("and");
            if (how.equals("count")) {
                return String.valueOf(all.size());
            }
            List<String> each = all.stream().map(v -> shown(v, and ? "" : how)).toList();
            return String.join(and ? " and " : ", ", each);
        }
        if (value instanceof Facts facts) {
            String key = "part/" + facts.form();
            String text = phrases.apply(how.equals("brief") ? key + ".brief" : key, facts);
            return how.equals("capital") ? Character.toUpperCase(text.charAt(0)) + text.substring(1) : text;
        }
        if (value instanceof Id<?> id) {
            return index.find(id).filter(Named.class::isInstance).isPresent() && !how.isEmpty()
                    ? named((Named) index.get(id), how)
                    : index.name(id);
        }
        if (value instanceof Stream stream) {
            return index.name(stream.id());
        }
        if (value instanceof Named named) {
            return named(named, how);
        }
        if (value instanceof HostAddress address) {
            return address(address, how);
        }
        if (value instanceof ShownNumber screen) {
            return !how.equals("differing")
                    ? screen.shown()
                    : screen.differs() ? phrases.apply("part/screen", Facts.as("screen", "shown", screen.shown())) : "";
        }
        return value instanceof Sourced<?> sourced ? sourced.source() : word(value, how);
    }

    private String named(Named thing, String how) {
        return switch (how) {
            case "" -> index.find(thing.id()).isPresent() ? index.name(thing.id()) : thing.name();
            case "own" -> thing.name();
            case "label" -> thing instanceof Fixture fixture ? fixture.label() : ((Universe) thing).label();
            default -> adapter((Adapter) thing, how);
        };
    }

    private String adapter(Adapter adapter, String how) {
        Optional<HostAddress> first = adapter.addresses().stream().findFirst().map(AdapterAddress::inForce);
        return switch (how) {
            case "at" -> adapter.name() + first.map(a -> ", " + a.address()).orElse("");
            case "address" -> first.map(a -> a.address().toString()).orElseGet(() -> value("no-address"));
            case "full" -> first.map(HostAddress::toString).orElseGet(() -> value("no-address"));
            case "subnet" -> first.map(a -> a.subnet().toString()).orElseGet(() -> value("no-subnet"));
            case "segment" ->
                adapter.segment().map(s -> index.segment(s).name()).orElseGet(() -> value("no-segment"));
            case "tosegment" ->
                adapter.segment()
                        .map(s -> value("to-segment", "segment", index.segment(s)))
                        .orElse("");
            case "pending" ->
                adapter.addresses().stream()
                        .filter(a -> a.address().isPending())
                        .findFirst()
                        .map(a -> value("planned", "planned", a.address().planned()))
                        .orElse("");
            default -> throw new IllegalArgumentException("Nothing of an adapter is called " + how);
        };
    }

    private String value(String form, Object... namesAndValues) {
        return phrases.apply("value/" + form, Facts.as(form, namesAndValues));
    }

    private static String address(HostAddress address, String how) {
        return switch (how) {
            case "" -> address.toString();
            case "address" -> address.address().toString();
            case "broadcast" -> address.broadcast().toString();
            case "subnet" -> address.subnet().toString();
            default -> throw new IllegalArgumentException("Nothing of an address is called " + how);
        };
    }

    private static String word(Object value, String how) {
        if (value instanceof Protocol protocol) {
            return switch (how) {
                case "" -> protocol.title();
                case "number" -> protocol.numberTitle();
                case "first" -> String.valueOf(protocol.firstNumber());
                case "last" -> String.valueOf(protocol.lastNumber());
                default -> throw new IllegalArgumentException("Nothing of a protocol is called " + how);
            };
        }
        if (value instanceof Purpose purpose) {
            return purpose.title();
        }
        if (value instanceof Traffic traffic) {
            return traffic.title();
        }
        if (value instanceof Part part) {
            return part.title();
        }
        if (value instanceof Word word) {
            return how.equals("plain") ? word.word().replace('-', ' ') : word.word();
        }
        return String.valueOf(value);
    }
}
