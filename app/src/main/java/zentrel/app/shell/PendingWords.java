package zentrel.app.shell;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import zentrel.gear.SettingRollout;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.text.Word;

/** What a setting that is planned is called and shows, for those that have no row of their own as long as they are in force. */
final class PendingWords {
    private PendingWords() {}

    static String label(PlanIndex index, SettingRollout.Pending pending) {
        String thing = thing(index, pending.owner());
        String what = what(pending);
        return thing.isEmpty() ? what.substring(0, 1).toUpperCase(Locale.ROOT) + what.substring(1) : thing + " " + what;
    }

    /** The short name of what a setting belongs to, on its own box; empty for the box itself. */
    private static String thing(PlanIndex index, Id<?> owner) {
        if (owner.is(Kind.HOST)) {
            return "";
        }
        Object found = index.find(owner).orElseThrow();
        return found instanceof Stream s
                ? index.universe(s.universe()).label() + " " + s.protocol().title()
                : found instanceof Named n ? n.name() : index.name(owner);
    }

    private static String what(SettingRollout.Pending pending) {
        return switch (pending.field()) {
            case "enabled" -> "switched";
            case "inputOn" -> "input";
            case "vlan" -> "VLAN";
            case "wire" -> "number";
            case "receiving" -> "OSC in";
            case "handling" -> "acts on OSC";
            case "destination" -> "goes to";
            case "answerPort" -> "answers to port";
            case "value" -> "there";
            default -> output(pending.field()).orElse(pending.field());
        };
    }

    private static Optional<String> output(String field) {
        return Arrays.stream(Protocol.values())
                .filter(p -> p.word().equals(field))
                .map(p -> p.title() + " out")
                .findFirst();
    }

    static String value(PlanIndex index, SettingRollout.Pending pending, Object value) {
        if (value instanceof Boolean on) {
            return on ? "on" : "off";
        }
        if (value instanceof Protocol protocol) {
            return protocol.title();
        }
        if (value instanceof Binding binding) {
            return binding(index, binding);
        }
        if (value instanceof Integer wire
                && pending.field().equals("wire")
                && index.find(pending.owner()).orElse(null) instanceof Stream stream) {
            return index.application(stream.application()).shown(stream.protocol(), wire);
        }
        return value instanceof Word word ? word.word() : String.valueOf(value);
    }

    static String binding(PlanIndex index, Binding b) {
        return b.mode() == BindingMode.ADAPTERS
                ? String.join(
                        ", ",
                        b.adapters().stream().map(x -> index.adapter(x).name()).toList())
                : b.mode().word();
    }
}
