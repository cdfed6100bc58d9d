package zentrel.app.document;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import org.jspecify.annotations.Nullable;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.Fixes;
import zentrel.check.Report;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFile;
import zentrel.file.SettingsFile;
import zentrel.file.UnknownFields;
import zentrel.file.UserFolders;
import zentrel.gear.CopiedPlace;
import zentrel.gear.GearEdit;
import zentrel.gear.SettingChange;
import zentrel.gear.SettingRollout;
import zentrel.plan.Edit;
import zentrel.plan.History;
import zentrel.plan.Id;
import zentrel.plan.Plan;

/**
 * The plan that is open, and the one place where it changes. All methods are for the JavaFX thread; checking, reading and
 * writing happen on threads of its own and come back there.
 */
public final class OpenDocument {
    /** An edit worked out in the background, with the plan that comes of it and its findings. */
    private record Worked(GearEdit made, Plan after, Report report) {}

    private final UserFolders folders;
    private final UserSettings settings;
    private final Workers workers = new Workers(this::tell);
    private final KeptWork kept;
    private final ReadOnlyObjectWrapper<@Nullable Report> report = new ReadOnlyObjectWrapper<>(null);
    private final ObjectProperty<@Nullable Id<?>> selection = new SimpleObjectProperty<>(null);
    private final ReadOnlyObjectWrapper<@Nullable SettingChange> proposed = new ReadOnlyObjectWrapper<>(null);
    private final ObjectProperty<@Nullable Notice> notice = new SimpleObjectProperty<>(null);
    private final ReadOnlyBooleanWrapper unsaved = new ReadOnlyBooleanWrapper(false);
    private @Nullable Notice refusal;

    /** The report of the plan as it is; null from an edit until it is checked. Read by the thread that tries fixes. */
    private volatile @Nullable Report latest;

    private History history = new History(Plan.EMPTY);
    private UnknownFields unknown = UnknownFields.NONE;
    private Plan saved = Plan.EMPTY;
    private @Nullable Path file;

    /**
     * A document with an empty plan and the usual settings.
     *
     * @param folders where journals and settings are kept
     */
    public OpenDocument(UserFolders folders) {
        this.folders = folders;
        this.settings = new UserSettings(new SettingsFile(folders.settingsFile()), workers.disk(), this::tell);
        this.kept = new KeptWork(folders.journals(), workers.disk(), why -> Platform.runLater(() -> tell(why)));
        report.addListener((o, before, now) -> latest = now);
    }

    // --- what views listen to ---

    /** The plan with its findings; null until the first check is done. */
    public ReadOnlyObjectProperty<@Nullable Report> reportProperty() {
        return report.getReadOnlyProperty();
    }

    public ObjectProperty<@Nullable Id<?>> selectionProperty() {
        return selection;
    }

    /** A change that waits for a word, because other places keep a copy of what it changes; null where none does. */
    public ReadOnlyObjectProperty<@Nullable SettingChange> proposedProperty() {
        return proposed.getReadOnlyProperty();
    }

    public ObjectProperty<@Nullable Notice> noticeProperty() {
        return notice;
    }

    public ReadOnlyBooleanProperty unsavedProperty() {
        return unsaved.getReadOnlyProperty();
    }

    /** What the user chose for the program. */
    public UserSettings settings() {
        return settings;
    }

    /** Where the program keeps what is the user's own. */
    public UserFolders folders() {
        return folders;
    }

    public Plan plan() {
        return history.plan();
    }

    public Optional<Path> file() {
        return Optional.ofNullable(file);
    }

    public Optional<String> undoText() {
        return history.undoText();
    }

    public Optional<String> redoText() {
        return history.redoText();
    }

    public void select(@Nullable Id<?> id) {
        selection.set(id);
    }

    public void tell(String text) {
        notice.set(Notice.of(text));
    }

    /** Says why an edit will not do. */
    private void refuse(IllegalArgumentException e) {
        refusal = Notice.of(String.valueOf(e.getMessage()));
        notice.set(refusal);
    }

    // --- changes ---

    public void apply(Edit edit) {
        boolean unused = applied(edit);
    }

    private boolean applied(Edit edit) {
        try {
            history.apply(edit);
        } catch (IllegalArgumentException e) {
            refuse(e);
            return false;
        }
        mended();
        changed();
        return true;
    }

    /** Takes the refusal away; whatever else is said stays until it is put away. */
    private void mended() {
        if (refusal != null && refusal.equals(notice.get())) {
            notice.set(null);
        }
    }

    /**
     * Makes a change of a setting; where other places keep a copy of it, it is shown first with all of them.
     *
     * @param later whether it is only planned, to be set on the device later
     */
    public void propose(SettingChange change, boolean later) {
        if (change.before().equals(change.after())) {
            return;
        }
        if (change.places().isEmpty()) {
            apply(later ? change.later() : change.change());
        } else {
            proposed.set(change);
        }
    }

    /** Makes the change that waits, and the steps chosen at other places, each to be undone by itself. */
    public void decide(List<CopiedPlace> places, boolean later) {
        SettingChange change = proposed.get();
        proposed.set(null);
        if (change == null) {
            return;
        }
        apply(later ? change.later() : change.change());
        for (CopiedPlace place : places) {
            if (!later || place.setting()) {
                apply(later ? SettingRollout.onlyPlanned(place.follow()) : place.follow());
            }
        }
    }

    /** Leaves what was proposed as it is. */
    public void leave() {
        proposed.set(null);
    }

    /**
     * Works an edit out in the background, makes it, and hands over the boxes it made. What will not do is told in its own
     * sentence.
     */
    public void make(Supplier<GearEdit> work, Consumer<GearEdit> then) {
        make(work, then, this::tell);
    }

    /** The same; {@code refused} is given the sentence where it will not do, to be shown beside what was typed. */
    public void make(Supplier<GearEdit> work, Consumer<GearEdit> then, Consumer<String> refused) {
        Plan before = history.plan();
        Report known = report.get();
        workers.run(
                workers.checker(),
                () -> {
                    try {
                        return Optional.of(worked(work.get(), before, known));
                    } catch (IllegalArgumentException e) {
                        Platform.runLater(() -> refused.accept(String.valueOf(e.getMessage())));
                        return Optional.<Worked>empty();
                    }
                },
                worked -> worked.ifPresent(w -> {
                    if (isStill(before) ? applied(w) : applied(w.made().edit())) {
                        then.accept(w.made());
                    } else {
                        refused.accept(refusal == null ? "" : refusal.text());
                    }
                }));
    }

    /** Makes the edit and checks what comes of it, so that the window shows the plan and its findings in one picture. */
    private static Worked worked(GearEdit made, Plan before, @Nullable Report known) {
        Plan after = made.edit().applyTo(before);
        return new Worked(made, after, checked(known, after));
    }

    /** The findings of a plan; most of them are known already where it came of the one looked at before. */
    private static Report checked(@Nullable Report known, Plan plan) {
        return known == null ? Check.run(plan) : Check.after(known, plan);
    }

    private boolean applied(Worked worked) {
        history.apply(new Edit(worked.made().edit().text(), p -> worked.after()));
        mended();
        if (isStill(worked.after())) {
            latest = null;
            afterChange();
            report.set(worked.report());
        } // else the edit changed nothing
        return true;
    }

    public void undo() {
        forgetWhatWasTold();
        history.undo();
        changed();
    }

    public void redo() {
        history.redo();
        changed();
    }

    private void changed() {
        latest = null; // what is tried on the plan before is of no use any more
        afterChange();
        check();
    }

    private void afterChange() {
        Plan plan = history.plan();
        proposed.set(null); // it was worked out on another plan
        Id<?> selected = selection.get();
        if (selected != null && plan.index().find(selected).isEmpty()) {
            selection.set(null);
        }
        unsaved.set(!plan.equals(saved));
        keep();
    }

    private void check() {
        Plan plan = history.plan();
        Report known = report.get();
        workers.run(workers.checker(), () -> checked(known, plan), result -> {
            if (isStill(plan)) {
                report.set(result);
            }
        });
    }

    @SuppressWarnings("ReferenceEquality")
    private boolean isLatest(Report other) {
        return other == latest;
    }

    /** Identity on purpose: another check of an equal plan is another report, and comparing large plans takes time. */
    @SuppressWarnings("ReferenceEquality")
    private boolean isCurrent(Report other) {
        return other == report.get();
    }

    @SuppressWarnings("ReferenceEquality")
    private boolean isStill(Plan other) {
        return other == history.plan();
    }

    /** The finding with those fixes that were tried and mend it, worked out in the background. */
    public void withProvenFixes(Finding finding, Consumer<Finding> then) {
        Report now = report.get();
        if (now != null) {
            workers.run(
                    workers.trials(),
                    // by the time it is its turn, the plan may be another
                    () -> isLatest(now) ? Optional.of(Fixes.withProven(now, finding)) : Optional.<Finding>empty(),
                    proven -> {
                        if (isCurrent(now)) {
                            proven.ifPresent(then);
                        }
                    });
        }
    }

    /** Works something out from the report in the background and hands it over if the report still stands. */
    public <T> void derive(Report from, Function<Report, T> work, Consumer<T> then) {
        workers.run(workers.pictures(), () -> work.apply(from), result -> {
            if (isCurrent(from)) {
                then.accept(result);
            }
        });
    }

    /** Does something else in the background, with files, and hands it over, whatever the plan is by then. */
    public <T> void work(Callable<T> work, Consumer<T> then) {
        workers.run(workers.disk(), work, then);
    }

    /** Runs {@code then} once all that is being worked out from the report now is done and handed over. */
    public void whenWorkedOut(Runnable then) {
        workers.run(workers.pictures(), () -> true, done -> then.run());
    }

    // --- files ---

    /** Replaces the open plan by a new one that belongs to no file. */
    public void show(LoadedPlan loaded) {
        become(loaded, null, loaded.plan());
    }

    /** Replaces the open plan by one that was checked already; a file that it was read from is remembered. */
    public void show(LoadedPlan loaded, Report checked, Optional<Path> from) {
        replace(loaded, from.orElse(null), loaded.plan());
        keep();
        report.set(checked);
        from.ifPresent(this::remember);
    }

    private void become(LoadedPlan loaded, @Nullable Path from, Plan asSaved) {
        replace(loaded, from, asSaved);
        changed();
    }

    /** What was told of the plan is no longer so; what offers something stays. */
    private void forgetWhatWasTold() {
        Notice said = notice.get();
        if (said != null && said.action().isEmpty()) {
            notice.set(null);
        }
    }

    private void replace(LoadedPlan loaded, @Nullable Path from, Plan asSaved) {
        forgetWhatWasTold();
        history = new History(loaded.plan());
        unknown = loaded.unknown();
        file = from;
        saved = asSaved;
        selection.set(null);
        unsaved.set(!loaded.plan().equals(asSaved));
    }

    /** Opens a file; if it cannot be read the open plan stays and the notice says why. */
    public void open(Path path) {
        workers.run(workers.disk(), () -> PlanFile.open(path), loaded -> {
            become(loaded, path, loaded.plan());
            remember(path);
        });
    }

    public void save(Path to) {
        Plan plan = history.plan();
        LoadedPlan loaded = new LoadedPlan(plan, unknown);
        workers.run(
                workers.disk(),
                () -> {
                    PlanFile.save(loaded, to);
                    return to;
                },
                path -> {
                    file = path;
                    saved = plan;
                    unsaved.set(!history.plan().equals(saved));
                    keep();
                    remember(path);
                });
    }

    private void remember(Path path) {
        settings.change(s -> s.opened(path));
    }

    /** The plan files opened last, handed over when read. */
    public void recent(Consumer<List<Path>> then) {
        List<Path> paths = settings.get().recent();
        workers.run(workers.disk(), () -> paths.stream().filter(Files::exists).toList(), then);
    }

    // --- the journal ---

    /** Keeps the plan in the journal soon; edits that come close together are written once. */
    private void keep() {
        kept.soon(new LoadedPlan(history.plan(), unknown), unsaved.get(), file());
    }

    /** Looks for work that an earlier run left behind, and offers it; removes temporary files of runs that were killed. */
    public void offerLeftWork() {
        List<Path> recent = settings.get().recent();
        LeftWork left = new LeftWork(this, workers, kept);
        workers.run(workers.disk(), () -> kept.leftWork(recent), left::offer);
    }

    /**
     * Replaces the open plan by one that was recovered.
     *
     * @param onDisk what its file holds, to tell what is unsaved
     */
    void recovered(LoadedPlan plan, Optional<Path> from, Plan onDisk) {
        become(plan, from.orElse(null), onDisk);
    }

    /** Ends in order: the journal is emptied. Waits for what is being written, for a short while. */
    public void close() throws IOException {
        workers.disk().execute(settings::write);
        workers.disk().execute(kept::giveUp);
        workers.end();
    }
}
