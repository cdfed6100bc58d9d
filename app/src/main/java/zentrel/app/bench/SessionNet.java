package zentrel.app.bench;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.app.shell.LiveNet;
import zentrel.live.SendJob;
import zentrel.live.UniverseSeen;
import zentrel.net.OutputGuard;

/** The net of the Bench, as other pages see it. */
record SessionNet(LiveSession session) implements LiveNet {
    @Override
    public Optional<String> place() {
        return session.place().map(Place::title);
    }

    @Override
    public boolean isArmed() {
        return session.state() == OutputGuard.State.ARMED;
    }

    @Override
    public void heard(Consumer<List<UniverseSeen>> told) {
        session.heard(told);
    }

    @Override
    public void send(List<SendJob> jobs, String words, Consumer<Optional<String>> done) {
        session.send(jobs, words, done);
    }

    @Override
    public Optional<String> sending() {
        return session.snapshot().sending();
    }

    @Override
    public void stopSending() {
        session.stopSending();
    }
}
