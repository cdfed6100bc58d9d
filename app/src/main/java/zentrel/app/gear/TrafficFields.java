package zentrel.app.gear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiFunction;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.text.Word;

/** The fields of a form that say how packets go: switches, sockets, what a receiver takes, identity, synchronisation. */
final class TrafficFields {
    private TrafficFields() {}

    /** What a box that passes the network on does with it. */
    static void switching(BoxForm form, Plan plan, Host host) {
        if (!IgmpSnooping.passesOn(plan.index(), host) && host.kind() != HostKind.ROUTER) {
            return;
        }
        SwitchFeatures now = host.switching();
        CheckBox snoops = form.tick(
                "IGMP snooping: multicast to those that asked",
                "snooping",
                now.snooping().inForce());
        CheckBox asks = form.tick(
                "Querier: asks who wants groups", "querier", now.querier().inForce());
        CheckBox drops = form.tick("Multicast stops without a querier", "drops", now.dropsUnasked());
        CheckBox guard = form.tick("Cuts rings of cables", "guard", now.loopGuard());
        form.onKeep(p -> p.with(
                host.id(),
                h -> h.withSwitching(new SwitchFeatures(
                        changed(now.snooping(), snoops.isSelected()),
                        changed(now.querier(), asks.isSelected()),
                        drops.isSelected(),
                        guard.isSelected()))));
    }

    /** The socket that an adapter is plugged into. */
    static void plug(BoxForm form, Adapter adapter) {
        if (adapter.kind() != AdapterKind.WIRED) {
            return;
        }
        String id = adapter.id().value();
        Plug now = adapter.plug();
        TextField speed = form.text(
                "Socket, Mbit/s",
                id + "-speed",
                now.megabits().map(String::valueOf).orElse(""));
        CheckBox half = form.tick("Half duplex", id + "-half", now.halfDuplex());
        TextField vlan = form.text(
                "Socket, VLAN",
                id + "-vlan",
                now.vlan().map(v -> String.valueOf(v.inForce())).orElse(""));
        form.onKeep(p -> p.with(
                adapter.id(),
                a -> a.withPlug(new Plug(
                        number(speed, "Mbit/s"),
                        half.isSelected(),
                        number(vlan, "VLAN")
                                .map(v -> now.vlan()
                                        .filter(n -> n.inForce().equals(v))
                                        .orElse(Setting.of(v)))))));
    }

    /** Under which identity a program sends sACN, and what waits for synchronisation. */
    static void sacn(BoxForm form, Plan plan, Application a) {
        List<Stream> streams = plan.index().streamsFrom(a.id()).stream()
                .filter(s -> s.protocol() == Protocol.SACN)
                .toList();
        if (streams.isEmpty()) {
            return;
        }
        String id = a.id().value();
        TextField cid = form.text(
                "sACN identity (CID)", id + "-cid", a.installed().cid().orElse(""));
        cid.setPromptText("its own");
        TextField sends = form.text(
                "Sends synchronisation on",
                id + "-sync-on",
                a.output(Protocol.SACN).sync().map(String::valueOf).orElse(""));
        String waiting = streams.get(0).sync().map(String::valueOf).orElse("");
        TextField waits = form.text("Its data waits for it on", id + "-sync", waiting);
        form.onKeep(p -> {
            Plan next = p.with(
                    a.id(),
                    x -> x.withInstalled(x.installed()
                                    .withCid(Optional.of(cid.getText().strip()).filter(c -> !c.isEmpty())))
                            .withOutput(Protocol.SACN, x.output(Protocol.SACN).withSync(number(sends, "universe"))));
            if (!waits.getText().strip().equals(waiting)) {
                Optional<Integer> on = number(waits, "universe");
                for (Stream s : streams) {
                    next = next.with(s.id(), x -> x.withSync(on));
                }
            }
            return next;
        });
    }

    /** What a receiver takes, merges and does when nothing comes. */
    static void receiver(BoxForm form, Receiver receiver) {
        String id = receiver.id().value();
        ComboBox<String> merge = form.choice(
                "Two of one priority",
                id + "-merge",
                words(Merge.values()),
                receiver.merge().word());
        ComboBox<String> loss = form.choice(
                "When nothing comes",
                id + "-loss",
                words(Loss.values()),
                receiver.taking().loss().word());
        TextField sources = form.text(
                "Sources at most",
                id + "-sources",
                receiver.taking().sources().map(String::valueOf).orElse(""));
        List<BiFunction<Plan, ReceiverCapability, ReceiverCapability>> ranges = new ArrayList<>();
        for (Protocol protocol : receiver.protocols().stream().sorted().toList()) {
            if (protocol.onNetwork()) {
                TextField takes = form.text(
                        "Takes " + protocol.title(),
                        id + "-takes-" + protocol.word(),
                        String.join(
                                ", ",
                                receiver.taking().of(protocol).stream()
                                        .map(NumberRange::toString)
                                        .toList()));
                takes.setPromptText("every number");
                ranges.add((p, taking) -> taking.withRanges(protocol, NumberRange.parse(takes.getText())));
            }
        }
        form.onKeep(p -> p.with(receiver.id(), r -> {
            ReceiverCapability taking =
                    r.taking().withSources(number(sources, "sources")).withLoss(word(Loss.values(), loss.getValue()));
            for (BiFunction<Plan, ReceiverCapability, ReceiverCapability> range : ranges) {
                taking = range.apply(p, taking);
            }
            return r.withMerge(word(Merge.values(), merge.getValue())).withTaking(taking);
        }));
    }

    /** The streams of a console's own that a program sends or takes. */
    static void attachments(BoxForm form, Plan plan, Application a) {
        for (Attachment x : plan.attachments()) {
            String id = x.id().value();
            if (x.from().equals(a.id())) {
                CheckBox sending = form.tick(
                        x.name() + " is on", id + "-sending", x.sending().inForce());
                TextField to = form.text(
                        x.name() + " goes to",
                        id + "-to",
                        x.destination().map(d -> d.inForce().toString()).orElse(""));
                to.setPromptText("they find each other");
                form.onKeep(p -> p.with(
                        x.id(),
                        n -> n.withSending(changed(n.sending(), sending.isSelected()))
                                .withDestination(Optional.of(to.getText().strip())
                                        .filter(t -> !t.isEmpty())
                                        .map(Ipv4Address::parse)
                                        .map(d -> n.destination()
                                                .filter(o -> o.inForce().equals(d))
                                                .orElse(Setting.of(d))))));
            }
            if (x.to().equals(a.id())) {
                CheckBox chosen = form.tick(
                        x.name() + " is its input", id + "-chosen", x.chosen().inForce());
                TextField driver = form.text(
                        x.name() + " needs", id + "-driver", x.driver().orElse(""));
                TextField sign = form.text(x.name() + " works when it shows", id + "-sign", x.sign());
                ComboBox<String> versions = form.choice(
                        "Versions must agree",
                        id + "-versions",
                        words(VersionRule.values()),
                        x.versions().word());
                form.onKeep(p -> p.with(
                        x.id(),
                        n -> n.withChosen(changed(n.chosen(), chosen.isSelected()))
                                .needing(
                                        word(VersionRule.values(), versions.getValue()),
                                        Optional.of(driver.getText().strip()).filter(d -> !d.isEmpty()),
                                        sign.getText().strip())));
            }
        }
    }

    private static <E extends Enum<E> & Word> List<String> words(E[] values) {
        return Arrays.stream(values).map(Word::word).toList();
    }

    private static <E extends Enum<E> & Word> E word(E[] values, String word) {
        return Arrays.stream(values)
                .filter(v -> v.word().equals(word))
                .findFirst()
                .orElseThrow();
    }

    private static Optional<Integer> number(TextField field, String what) {
        String plain = field.getText().strip();
        if (plain.isEmpty()) {
            return Optional.empty();
        }
        if (!plain.matches("\\d{1,6}")) {
            throw new IllegalArgumentException(String.format(
                    Locale.ROOT, "%s: \"%s\" is no %s; a whole number is.", field.getAccessibleText(), plain, what));
        }
        return Optional.of(Integer.parseInt(plain));
    }

    /** As it was, with what is planned, where the tick was not touched. */
    private static Setting<Boolean> changed(Setting<Boolean> now, boolean value) {
        return now.inForce() == value ? now : Setting.of(value);
    }
}
