package zentrel.app.help;

import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.BulletList;
import org.commonmark.node.Code;
import org.commonmark.node.Emphasis;
import org.commonmark.node.Heading;
import org.commonmark.node.Image;
import org.commonmark.node.Link;
import org.commonmark.node.ListItem;
import org.commonmark.node.Paragraph;
import org.commonmark.node.SoftLineBreak;
import org.commonmark.node.StrongEmphasis;
import org.commonmark.parser.Parser;
import zentrel.app.look.Texts;

/** A page of Markdown as nodes: headings, paragraphs, lists, links to other pages, pictures that are drawn, and rows of a table. */
final class HelpText extends AbstractVisitor {
    private final VBox page = new VBox(10);
    private final Consumer<String> follow;
    private TextFlow line = new TextFlow();
    private String style = "drawn";
    private boolean inList;

    private HelpText(Consumer<String> follow) {
        this.follow = follow;
    }

    /**
     * The nodes of a text.
     *
     * @param follow called with the name of a page whose link is followed
     */
    static VBox of(String markdown, Consumer<String> follow) {
        HelpText text = new HelpText(follow);
        int table = markdown.indexOf("\n| ");
        Parser.builder()
                .build()
                .parse(table < 0 ? markdown : markdown.substring(0, table))
                .accept(text);
        if (table >= 0) {
            text.page.getChildren().add(table(markdown.substring(table + 1)));
        }
        return text.page;
    }

    @Override
    public void visit(Heading heading) {
        begin();
        style = heading.getLevel() == 1 ? "help-title" : "help-heading";
        visitChildren(heading);
        style = "drawn";
        page.getChildren().add(line);
    }

    @Override
    public void visit(Paragraph paragraph) {
        if (inList) {
            visitChildren(paragraph);
            return;
        }
        begin();
        visitChildren(paragraph);
        if (!line.getChildren().isEmpty()) {
            page.getChildren().add(line);
        }
    }

    @Override
    public void visit(BulletList list) {
        for (var item = list.getFirstChild(); item != null; item = item.getNext()) {
            begin();
            inList = true;
            visitChildren((ListItem) item);
            inList = false;
            HBox.setHgrow(line, Priority.ALWAYS);
            page.getChildren().add(new HBox(8, Texts.of("–", "soft"), line));
        }
    }

    @Override
    public void visit(org.commonmark.node.Text text) {
        add(text.getLiteral(), style);
    }

    @Override
    public void visit(SoftLineBreak space) {
        add(" ", style);
    }

    @Override
    public void visit(Code code) {
        add(code.getLiteral(), "mono");
    }

    @Override
    public void visit(Emphasis emphasis) {
        visitChildren(emphasis);
    }

    @Override
    public void visit(StrongEmphasis emphasis) {
        String before = style;
        style = "strong";
        visitChildren(emphasis);
        style = before;
    }

    @Override
    public void visit(Link link) {
        String name = link.getDestination().replace("../", "").replaceAll("\\.md$", "");
        StringBuilder words = new StringBuilder();
        link.getFirstChild().accept(new AbstractVisitor() {
            @Override
            public void visit(org.commonmark.node.Text text) {
                words.append(text.getLiteral());
            }
        });
        Hyperlink to = new Hyperlink(words.toString());
        to.getStyleClass().add("help-link");
        to.setId("help-to-" + name);
        to.setOnAction(e -> follow.accept(name));
        line.getChildren().add(to);
    }

    @Override
    public void visit(Image image) {
        if (image.getFirstChild() instanceof org.commonmark.node.Text spec) {
            page.getChildren().add(HelpPicture.of(spec.getLiteral()));
        }
    }

    private void begin() {
        line = new TextFlow();
        line.setMaxWidth(HelpPicture.WIDTH);
    }

    private void add(String words, String styleClass) {
        Text text = new Text(words);
        text.getStyleClass().addAll("drawn", styleClass);
        line.getChildren().add(text);
    }

    /** The rows of a table, without the row that draws a line. */
    private static Node table(String markdown) {
        GridPane grid = new GridPane(16, 4);
        int row = 0;
        for (String each : markdown.lines().toList()) {
            if (!each.startsWith("|") || each.startsWith("|--")) {
                continue;
            }
            String[] cells = each.substring(1).split("\\|", -1);
            for (int i = 0; i + 1 < cells.length; i++) {
                Label cell = Texts.wrapped(cells[i].strip().replace("`", ""), row == 0 ? "strong" : "label");
                cell.setMaxWidth(i == 2 ? HelpPicture.WIDTH : 220);
                grid.add(cell, i, row);
            }
            row++;
        }
        return grid;
    }
}
