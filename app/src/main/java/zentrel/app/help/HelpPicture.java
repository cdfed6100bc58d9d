package zentrel.app.help;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.Line;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import zentrel.app.look.UniverseHue;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.path.HopKind;

/**
 * The picture of a help page, drawn from a line that stands beside it in the text: {@code hops: 5} is a path that fails at hop 5,
 * {@code range: 10.41.0.0/16: Desk 10.41.1.1} a range with addresses in it and outside, {@code flow: Desk -> Node, Previs: group} who
 * sends to whom.
 */
public final class HelpPicture extends Pane {
    /** Width of every picture, in points. */
    public static final double WIDTH = 560;

    private static final double EDGE = 16;
    private static final double BAR = 5;

    private double height = 60;

    private HelpPicture() {
        setMouseTransparent(true);
    }

    /**
     * The picture of a line.
     *
     * @throws IllegalArgumentException where it says nothing that can be drawn
     */
    public static HelpPicture of(String line) {
        HelpPicture picture = new HelpPicture();
        String[] parts = line.split(": ", -1);
        switch (parts[0]) {
            case "hops" -> picture.hops(Integer.parseInt(parts[1].strip()));
            case "range" -> picture.range(Subnet.parse(parts[1]), parts[2].split(", ", -1));
            case "flow" -> picture.flow(parts[1], parts[2].split(", ", -1));
            default -> throw new IllegalArgumentException("There is no picture of \"" + line + "\".");
        }
        picture.setMinSize(WIDTH, picture.height);
        picture.setPrefSize(WIDTH, picture.height);
        picture.setMaxSize(WIDTH, picture.height);
        picture.setAccessibleText(line);
        return picture;
    }

    /** Height, in points. */
    public double height() {
        return height;
    }

    // --- a path that fails at one hop ---

    private void hops(int failing) {
        height = 66;
        double step = (WIDTH - 2 * EDGE) / HopKind.values().length;
        for (HopKind hop : HopKind.values()) {
            double x = EDGE + (hop.number() - 1) * step;
            boolean fails = hop.number() == failing;
            boolean after = hop.number() > failing;
            Line line = new Line(x + 14, 20, x + step - 4, 20);
            line.setStyle("-fx-stroke: " + (fails ? "-z-raspberry" : after ? "-z-rule" : "-z-verdigris")
                    + "; -fx-stroke-width: 1.4;");
            getChildren().add(line);
            if (fails) {
                stroke(x + 2, 15, x + 12, 25, "-z-raspberry");
                stroke(x + 2, 25, x + 12, 15, "-z-raspberry");
            } else if (!after) {
                stroke(x + 2, 20, x + 6, 24, "-z-verdigris");
                stroke(x + 6, 24, x + 12, 15, "-z-verdigris");
            } else {
                stroke(x + 3, 20, x + 11, 20, "-z-slate");
            }
            Text number = text(String.valueOf(hop.number()), x + 2, 42, true);
            number.getStyleClass().add(fails ? "broken" : "soft");
            if (fails) {
                Text title = text(hop.title(), 0, 58, false);
                double wide = title.getLayoutBounds().getWidth();
                title.setX(Math.max(EDGE, Math.min(x + 2, WIDTH - EDGE - wide)));
            }
        }
    }

    // --- a range and what is in it ---

    private void range(Subnet range, String[] named) {
        double left = EDGE;
        double right = WIDTH - 150;
        double y = 40;
        Line ruler = new Line(left, y, right, y);
        ruler.setStyle("-fx-stroke: -z-ink-soft; -fx-stroke-width: 1.4;");
        getChildren().add(ruler);
        stroke(left, y - 7, left, y + 7, "-z-ink-soft");
        stroke(right, y - 7, right, y + 7, "-z-ink-soft");
        text(range.network().toString(), left, y - 14, true).getStyleClass().add("soft");
        Text last = text(range.last().toString(), 0, y - 14, true);
        last.getStyleClass().add("soft");
        last.setX(right - last.getLayoutBounds().getWidth());
        double outside = 0;
        double inside = 0;
        List<String> lastFirst =
                new ArrayList<>(List.of(named)); // so that no tick runs through what is written of another
        lastFirst.sort(Comparator.comparing((String n) -> address(n)).reversed());
        for (String each : lastFirst) {
            int space = each.lastIndexOf(' ');
            Ipv4Address address = address(each);
            boolean in = range.contains(address);
            double part = (address.bits() - (double) range.network().bits())
                    / Math.max(1, range.last().bits() - (double) range.network().bits());
            double x = in ? left + Math.max(0, part) * (right - left) : right + 24;
            double low = y + 22 + (in ? inside : outside) * 32;
            stroke(x, y - (in ? 4 : -8), x, low - 4, in ? "-z-verdigris" : "-z-raspberry");
            Text name = text(each.substring(0, space), x + 5, low + 4, false);
            Text number = text(address.toString(), x + 5, low + 18, true);
            number.getStyleClass().add("soft");
            double wide = Math.max(
                    name.getLayoutBounds().getWidth(), number.getLayoutBounds().getWidth());
            if (in && x + wide > right) { // it would run into what is outside
                name.setX(x - 5 - name.getLayoutBounds().getWidth());
                number.setX(x - 5 - number.getLayoutBounds().getWidth());
            }
            if (in) {
                inside++;
            } else {
                outside++;
            }
            height = Math.max(height, low + 30);
        }
    }

    private static Ipv4Address address(String named) {
        return Ipv4Address.parse(named.substring(named.lastIndexOf(' ') + 1));
    }

    // --- who sends to whom ---

    private void flow(String ends, String[] words) {
        String[] sides = ends.split(" -> ", -1);
        List<String> from = List.of(sides[0].split(", ", -1));
        List<String> to = List.of(sides[1].split(", ", -1));
        int rows = Math.max(from.size(), to.size());
        height = 24 + rows * 42;
        double left = 170;
        double right = WIDTH - 180;
        List<Double> starts = places(from, left, true);
        List<Double> ends2 = places(to, right, false);
        int ribbons = Math.max(from.size(), to.size());
        for (int i = 0; i < ribbons; i++) {
            double a = starts.get(Math.min(i, from.size() - 1));
            double b = ends2.get(Math.min(i, to.size() - 1));
            String word = i < words.length ? words[i] : words[words.length - 1];
            ribbon(left + BAR, a, right, b, i + 1, word.startsWith("not "));
            boolean atSender = from.size() > to.size();
            Text said = text(word, right + BAR + 8, (atSender ? a : b) + 18, Character.isDigit(word.charAt(0)));
            said.getStyleClass().add("soft");
            if (atSender) {
                said.setX(left - 8 - said.getLayoutBounds().getWidth());
            }
        }
    }

    private List<Double> places(List<String> names, double x, boolean before) {
        List<Double> places = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            double y = height * (i + 0.5) / names.size();
            places.add(y);
            Rectangle bar = new Rectangle(x, y - 12, BAR, 24);
            bar.setStyle("-fx-fill: -z-ink-soft;");
            getChildren().add(bar);
            Text name = text(names.get(i), 0, y + 4, false);
            name.setX(before ? x - 8 - name.getLayoutBounds().getWidth() : x + BAR + 8);
        }
        return places;
    }

    private void ribbon(double x, double y, double right, double end, int hue, boolean none) {
        double half = (x + right) / 2;
        Path path = new Path(new MoveTo(x, y), new CubicCurveTo(half, y, half, end, right, end));
        path.setFill(null);
        path.setStroke(Color.web(UniverseHue.of(hue)));
        path.setStrokeWidth(4);
        path.setOpacity(none ? 0.25 : 0.9);
        getChildren().add(path);
    }

    private void stroke(double x, double y, double toX, double toY, String colour) {
        Line line = new Line(x, y, toX, toY);
        line.setStyle("-fx-stroke: " + colour + "; -fx-stroke-width: 1.6;");
        getChildren().add(line);
    }

    private Text text(String words, double x, double y, boolean mono) {
        Text text = new Text(x, y, words);
        text.setTextAlignment(TextAlignment.LEFT);
        text.getStyleClass().add("drawn");
        text.setFont(javafx.scene.text.Font.font(mono ? "IBM Plex Mono" : "IBM Plex Sans", 12));
        if (mono) {
            text.getStyleClass().add("mono");
        }
        getChildren().add(text);
        return text;
    }
}
