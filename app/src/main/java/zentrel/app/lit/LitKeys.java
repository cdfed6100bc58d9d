package zentrel.app.lit;

import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import zentrel.lit.Camera;

/**
 * The picture by keys: W, A, S, D walk, the arrows turn around, with Shift they move the view; Plus and Minus come nearer, Home shows all,
 * End what is chosen; 1 to 9 go to viewpoints, P is the plan, F from the front, R from the right; N chooses the next fixture, with
 * Shift the one before; Alt and arrows or Page Up and Down move what is chosen by a decimetre, with Shift by a centimetre; T turns it
 * by 15 degrees, with Shift back; L is the line view, H the house light; Delete removes.
 */
final class LitKeys {
    private static final double COARSE = 0.1;
    private static final double FINE = 0.01;
    private static final double TURN = 8;
    private static final double PAN = 0.06;
    private static final double NEARER = 0.85;
    private static final double STEP = 15;
    private static final double SIDE = 0;
    private static final double ABOVE = 90;

    private final LitPage page;
    private final LitCanvas canvas;

    LitKeys(LitPage page, LitCanvas canvas) {
        this.page = page;
        this.canvas = canvas;
    }

    void pressed(KeyEvent e) {
        if (e.isShortcutDown()) {
            return;
        }
        if (e.isAltDown() ? moved(e) : looked(e) || acted(e)) {
            e.consume();
        }
    }

    private boolean moved(KeyEvent e) {
        double by = e.isShiftDown() ? FINE : COARSE;
        switch (e.getCode()) {
            case RIGHT -> page.acts().move(by, 0, 0);
            case LEFT -> page.acts().move(-by, 0, 0);
            case UP -> page.acts().move(0, by, 0);
            case DOWN -> page.acts().move(0, -by, 0);
            case PAGE_UP -> page.acts().move(0, 0, by);
            case PAGE_DOWN -> page.acts().move(0, 0, -by);
            default -> {
                return false;
            }
        }
        return true;
    }

    private boolean looked(KeyEvent e) {
        Camera camera = canvas.camera();
        boolean shift = e.isShiftDown();
        switch (e.getCode()) {
            case W -> canvas.look(camera.walked(1, 0));
            case S -> canvas.look(camera.walked(-1, 0));
            case A -> canvas.look(camera.walked(0, -1));
            case D -> canvas.look(camera.walked(0, 1));
            case LEFT -> canvas.look(shift ? camera.panned(-PAN, 0) : camera.orbited(-TURN, 0));
            case RIGHT -> canvas.look(shift ? camera.panned(PAN, 0) : camera.orbited(TURN, 0));
            case UP -> canvas.look(shift ? camera.panned(0, PAN) : camera.orbited(0, TURN));
            case DOWN -> canvas.look(shift ? camera.panned(0, -PAN) : camera.orbited(0, -TURN));
            case PLUS, ADD, EQUALS -> canvas.look(camera.dollied(NEARER));
            case MINUS, SUBTRACT -> canvas.look(camera.dollied(1 / NEARER));
            case HOME -> canvas.showAll();
            case END -> canvas.showChosen();
            case P -> flat(0, ABOVE);
            case F -> flat(0, SIDE);
            case R -> flat(270, SIDE);
            default -> {
                return viewpoint(e.getCode());
            }
        }
        return true;
    }

    /** A view without perspective. */
    private void flat(double bearing, double elevation) {
        canvas.look(canvas.camera().withParallel(true).withBearing(bearing).withElevation(elevation));
        canvas.fit();
    }

    private boolean viewpoint(KeyCode code) {
        String name = code.getName();
        return code.isDigitKey() && name.length() == 1 && page.goToView(name.charAt(0) - '1');
    }

    private boolean acted(KeyEvent e) {
        switch (e.getCode()) {
            case N -> page.next(e.isShiftDown() ? -1 : 1);
            case T -> page.acts().turn(e.isShiftDown() ? -STEP : STEP);
            case L -> page.toggleLines();
            case H -> page.nextHouseLight();
            case ESCAPE -> page.escape();
            case DELETE -> page.acts().remove();
            default -> {
                return false;
            }
        }
        return true;
    }
}
