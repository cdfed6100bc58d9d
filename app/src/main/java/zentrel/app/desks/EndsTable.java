package zentrel.app.desks;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.path.Verdict;
import zentrel.plan.Id;
import zentrel.plan.VersionRule.Agreement;
import zentrel.session.BothEnds;

/** What to set at both ends, value by value. */
final class EndsTable extends VBox {
    EndsTable(DesksModel model, @Nullable Id<?> chosen) {
        super(6);
        Optional<DesksModel.Member> member = Optional.ofNullable(chosen)
                .flatMap(model::member)
                .filter(m -> !model.ends()
                        .getOrDefault(m.part().program(), List.of())
                        .isEmpty())
                .or(() -> model.members().stream()
                        .filter(m -> !m.part().lacks().isEmpty()
                                && !model.ends()
                                        .getOrDefault(m.part().program(), List.of())
                                        .isEmpty())
                        .findFirst())
                .or(() -> model.members().stream()
                        .filter(m -> !model.ends()
                                .getOrDefault(m.part().program(), List.of())
                                .isEmpty())
                        .findFirst());
        getChildren().add(Texts.of("Both ends, side by side", "strong"));
        if (member.isPresent()) {
            getChildren().add(table(model, member.get()));
        } else {
            getChildren()
                    .add(Texts.wrapped("The levels come as they are sent; Flow shows their way.", "soft", "small"));
        }
    }

    private static GridPane table(DesksModel model, DesksModel.Member member) {
        GridPane grid = new GridPane(8, 3);
        String main = model.session()
                .main()
                .flatMap(d -> model.member(d.application()))
                .map(DesksModel.Member::name)
                .orElse("Console");
        grid.add(Texts.heading(main), 2, 0);
        grid.add(Texts.heading(member.name()), 3, 0);
        int y = 1;
        for (BothEnds.Row row : model.ends().getOrDefault(member.part().program(), List.of())) {
            grid.add(Texts.of(row.what().title(), "soft", "small"), 0, y);
            Optional<Mark> mark = row.agreement().map(EndsTable::mark);
            if (mark.isPresent()) {
                grid.add(mark.get(), 1, y);
            }
            boolean differs = row.agreement().filter(a -> a == Agreement.DIFFER).isPresent();
            grid.add(value(row.here(), false), 2, y);
            grid.add(value(row.there(), differs), 3, y);
            y++;
        }
        return grid;
    }

    private static Label value(String text, boolean differs) {
        Label label = Texts.mono(text, "small");
        if (differs) {
            label.getStyleClass().add("broken");
        }
        label.setMaxWidth(118);
        return label;
    }

    private static Mark mark(Agreement agreement) {
        return Mark.of(
                switch (agreement) {
                    case AGREE -> Verdict.PASSES;
                    case DIFFER -> Verdict.BROKEN;
                    case NOT_SURE -> Verdict.AT_RISK;
                });
    }
}
