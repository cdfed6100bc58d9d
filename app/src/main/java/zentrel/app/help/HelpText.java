package zentrel.app.help;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Hyperlink;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import org.commonmark.ext.gfm.tables.TableBlock;
import org.commonmark.ext.gfm.tables.TableHead;
import org.commonmark.ext.gfm.tables.TableRow;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.BulletList;
import org.commonmark.node.Code;
import org.commonmark.node.CustomBlock;
import org.commonmark.node.Emphasis;
import org.commonmark.node.Heading;
import org.commonmark.node.Image;
import org.commonmark.node.Link;
import org.commonmark.node.ListItem;
import org.commonmark.node.Node;
import org.commonmark.node.Paragraph;
import org.commonmark.node.SoftLineBreak;
import org.commonmark.node.StrongEmphasis;
import org.commonmark.parser.Parser;
import zentrel.app.look.Texts;

/** A page of Markdown as nodes: headings, paragraphs, lists, links to other pages, pictures that are drawn, tables. */
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
        Parser.builder()
                .extensions(List.of(TablesExtension.create()))
                .build()
                .parse(markdown)
                .accept(text);
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

    @Override
    public void visit(CustomBlock block) {
        if (block instanceof TableBlock) {
            GridPane grid = new GridPane(16, 4);
            page.getChildren().add(grid);
            TextFlow around = line;
            rows(block, grid);
            line = around;
        }
    }

    /** The rows of a table below one of its parts; each cell is a line of its own. */
    private void rows(Node part, GridPane grid) {
        for (Node child = part.getFirstChild(); child != null; child = child.getNext()) {
            if (child instanceof TableRow) {
                int row = grid.getRowCount();
                int column = 0;
                for (Node cell = child.getFirstChild(); cell != null; cell = cell.getNext()) {
                    begin();
                    style = part instanceof TableHead ? "strong" : "drawn";
                    visitChildren(cell);
                    style = "drawn";
                    grid.add(line, column++, row);
                }
            } else {
                rows(child, grid);
            }
        }
    }
}
