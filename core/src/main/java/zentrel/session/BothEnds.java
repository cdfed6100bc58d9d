package zentrel.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.plan.Adapter;
import zentrel.plan.Application;
import zentrel.plan.Attachment;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Part;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Purpose;
import zentrel.plan.Segment;
import zentrel.plan.Session;
import zentrel.plan.Setting;
import zentrel.plan.VersionRule;
import zentrel.plan.VersionRule.Agreement;

/** What is set at two ends that work together, value by value; those that must agree are told apart where they do not. */
public final class BothEnds {
    private static final String NOT_SAID = "not said";

    /** What a row is about. */
    public enum What {
        VERSION("Version"),
        KEY("Key"),
        NETWORK("Network"),
        ADAPTER("Adapter"),
        ADDRESS("Address"),
        SHOW("Show"),
        PART("Part"),
        OUTPUT("Output"),
        DRIVER("Driver"),
        STREAM("Stream");

        private final String title;

        What(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    /**
     * One value at both ends.
     *
     * @param agreement whether they agree as they must; empty where they need not
     */
    public record Row(What what, String here, String there, Optional<Agreement> agreement) {}

    private final Plan plan;
    private final PlanIndex index;

    public BothEnds(Plan plan) {
        this.plan = plan;
        this.index = plan.index();
    }

    /** The desk that leads a session, and another one of it. */
    public List<Row> of(Session session, Session.Desk lead, Session.Desk desk) {
        Application here = index.application(lead.application());
        Application there = index.application(desk.application());
        List<Row> rows = new ArrayList<>();
        rows.add(version(session.versions(), here, there));
        rows.add(equal(What.KEY, shown(session.keyAt(lead)), shown(session.keyAt(desk))));
        network(rows, here, there, Purpose.SESSION);
        String mine = show(here);
        String theirs = show(there);
        rows.add(new Row(What.SHOW, mine, theirs, Optional.empty()));
        rows.add(free(What.PART, lead.part().title(), desk.part().title()));
        rows.add(output(lead, desk));
        return rows;
    }

    /** A console and what attaches to it by the console's own stream. */
    public List<Row> of(Attachment attachment) {
        Application here = index.application(attachment.from());
        Application there = index.application(attachment.to());
        List<Row> rows = new ArrayList<>();
        rows.add(version(attachment.versions(), here, there));
        boolean sends = attachment.sending().inForce();
        boolean chosen = attachment.chosen().inForce();
        rows.add(new Row(
                What.STREAM,
                sends ? "on" : "off",
                chosen ? "chosen" : "another input",
                Optional.of(sends && chosen ? Agreement.AGREE : Agreement.DIFFER)));
        attachment
                .driver()
                .ifPresent(d -> rows.add(new Row(
                        What.DRIVER,
                        "asks for " + d,
                        there.installed().attached().contains(d) ? d : "missing",
                        Optional.of(there.installed().attached().contains(d) ? Agreement.AGREE : Agreement.DIFFER))));
        network(rows, here, there, Purpose.PREVIS_LINK);
        return rows;
    }

    private static Row equal(What what, String here, String there) {
        return new Row(what, here, there, Optional.of(here.equals(there) ? Agreement.AGREE : Agreement.DIFFER));
    }

    private static Row free(What what, String here, String there) {
        return new Row(what, here, there, Optional.empty());
    }

    private static String shown(String key) {
        return key.isEmpty() ? "none" : key;
    }

    private static Row version(VersionRule rule, Application here, Application there) {
        Optional<String> mine = here.version().map(Setting::inForce);
        Optional<String> theirs = there.version().map(Setting::inForce);
        Optional<Agreement> agreement = rule == VersionRule.ANY
                ? Optional.empty()
                : mine.isPresent() && theirs.isPresent()
                        ? Optional.of(rule.compare(mine.get(), theirs.get()))
                        : Optional.of(Agreement.NOT_SURE);
        return new Row(What.VERSION, mine.orElse(NOT_SAID), theirs.orElse(NOT_SAID), agreement);
    }

    private void network(List<Row> rows, Application here, Application there, Purpose purpose) {
        Optional<Adapter> mine = adapter(here, there, purpose);
        Optional<Adapter> theirs = adapter(there, here, purpose);
        Optional<Id<Segment>> a = mine.flatMap(Adapter::segment);
        Optional<Id<Segment>> b = theirs.flatMap(Adapter::segment);
        boolean together = a.isPresent() && a.equals(b);
        rows.add(new Row(
                What.NETWORK,
                a.map(index::name).orElse(NOT_SAID),
                b.map(index::name).orElse(NOT_SAID),
                Optional.of(
                        together || here.host().equals(there.host())
                                ? Agreement.AGREE
                                : a.isPresent() && b.isPresent() ? Agreement.DIFFER : Agreement.NOT_SURE)));
        rows.add(free(
                What.ADAPTER,
                mine.map(Adapter::name).orElse(NOT_SAID),
                theirs.map(Adapter::name).orElse(NOT_SAID)));
        rows.add(new Row(
                What.ADDRESS,
                mine.map(BothEnds::address).orElse(NOT_SAID),
                theirs.map(BothEnds::address).orElse(NOT_SAID),
                mine.isPresent() && theirs.isPresent()
                        ? Optional.of(sameSubnet(mine.get(), theirs.get()) ? Agreement.AGREE : Agreement.DIFFER)
                        : Optional.empty()));
    }

    /** The adapter that is bound, else the one that is on a segment of the other end. */
    private Optional<Adapter> adapter(Application program, Application other, Purpose purpose) {
        Host host = index.host(program.host());
        List<Id<Adapter>> bound = program.binding(purpose).adapters();
        List<Id<Segment>> beyond = index.host(other.host()).adapters().stream()
                .flatMap(a -> a.segment().stream())
                .toList();
        return host.adapters().stream()
                .filter(a -> bound.contains(a.id()))
                .findFirst()
                .or(() -> host.adapters().stream()
                        .filter(a -> a.segment().filter(beyond::contains).isPresent())
                        .findFirst())
                .or(() -> host.adapters().stream().findFirst());
    }

    private static String address(Adapter adapter) {
        return adapter.addresses().stream()
                .findFirst()
                .map(a -> a.inForce().toString())
                .orElse("none");
    }

    private static boolean sameSubnet(Adapter a, Adapter b) {
        return a.addresses().stream()
                .anyMatch(x -> b.addresses().stream()
                        .anyMatch(y -> x.inForce().subnet().equals(y.inForce().subnet())));
    }

    private static String show(Application program) {
        return program.installed().show().map(Setting::inForce).orElse(NOT_SAID);
    }

    /** Whether the one sends, and the other is silent or gives way, as its part asks. */
    private Row output(Session.Desk lead, Session.Desk desk) {
        boolean mine = sends(lead);
        boolean theirs = sends(desk);
        boolean silent = desk.part() == Part.BACKUP || !theirs;
        return new Row(
                What.OUTPUT,
                mine ? "on" : "off",
                theirs ? (desk.part() == Part.BACKUP ? "on, gives way" : "on") : "off",
                Optional.of(silent ? Agreement.AGREE : Agreement.DIFFER));
    }

    private boolean sends(Session.Desk desk) {
        return index.streamsFrom(desk.application()).stream()
                .anyMatch(s -> s.enabled().inForce()
                        && !s.standby()
                        && index.application(s.application())
                                .output(s.protocol())
                                .enabled()
                                .inForce());
    }

    /** What is set at both ends of something that joins two programs: a session's desk by its program, or an attachment. */
    public List<Row> of(Session session, TakesPart member) {
        Optional<Session.Desk> desk = session.desk(member.program());
        if (desk.isPresent() && session.main().isPresent() && !session.main().equals(desk)) {
            return of(session, session.main().get(), desk.get());
        }
        return member.by().flatMap(a -> plan.index().find(a)).map(this::of).orElse(List.of());
    }
}
