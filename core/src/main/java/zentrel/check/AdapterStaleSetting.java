package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.plan.Edit;
import zentrel.plan.Kind;
import zentrel.plan.TypedCopy;

/** What was typed in once differs from what it is a copy of: {@code adapter.stale-setting}. */
final class AdapterStaleSetting extends PathRule {
    AdapterStaleSetting() {
        super("adapter.stale-setting");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().copies().isEmpty();
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (TypedCopy copy : context.plan().copies()) {
            List<String> real = copy.real(context.index());
            String typed = copy.value().inForce();
            if (real.isEmpty() || real.contains(typed)) {
                continue;
            }
            String owner = context.index().name(copy.owner());
            String of = context.index().name(copy.of());
            String subject = copy.of().is(Kind.ADAPTER)
                    ? RuleWords.say("adapter.stale-setting.part/adapter", "adapter", of)
                    : of;
            String form = copy.isPrinted() ? "printed" : "typed";
            findings.add(unmet(
                    copy.isPrinted() ? Severity.NOTE : Severity.BROKEN,
                    Optional.empty(),
                    List.of(copy.id(), copy.owner(), copy.of()),
                    RuleWords.say(
                            "adapter.stale-setting.says/" + form,
                            "copy",
                            copy.name(),
                            "owner",
                            owner,
                            "typed",
                            typed,
                            "of",
                            subject,
                            "real",
                            real.get(0)),
                    List.of(new Edit(
                            RuleWords.say(
                                    "adapter.stale-setting.fix/" + form,
                                    "real",
                                    real.get(0),
                                    "copy",
                                    copy.name(),
                                    "owner",
                                    owner),
                            p -> p.with(copy.id(), c -> c.withValue(real.get(0)))))));
        }
        return findings;
    }
}
