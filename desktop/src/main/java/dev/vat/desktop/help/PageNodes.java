package dev.vat.desktop.help;

import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Parts;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.binding.Bindings;
import javafx.beans.value.ObservableDoubleValue;
import javafx.scene.Node;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import org.commonmark.ext.gfm.tables.TableBlock;
import org.commonmark.ext.gfm.tables.TableCell;
import org.commonmark.ext.gfm.tables.TableRow;
import org.commonmark.node.BulletList;
import org.commonmark.node.Code;
import org.commonmark.node.Emphasis;
import org.commonmark.node.FencedCodeBlock;
import org.commonmark.node.Heading;
import org.commonmark.node.Link;
import org.commonmark.node.OrderedList;
import org.commonmark.node.Paragraph;
import org.commonmark.node.SoftLineBreak;
import org.commonmark.node.StrongEmphasis;

/** Makes what is shown of a page: its headings, paragraphs, lists, tables and pictures. */
final class PageNodes {

    private static final double GAP = 9;
    /** Of a table, in percent of its width. */
    private static final double FIRST_COLUMN = 18;

    private final ObservableDoubleValue width;
    private final Consumer<HelpTopic> open;

    /** @param width of the page, for its pictures @param open what a link does */
    PageNodes(ObservableDoubleValue width, Consumer<HelpTopic> open) {
        this.width = width;
        this.open = open;
    }

    /** All blocks below one. */
    List<Node> blocks(org.commonmark.node.Node parent) {
        List<Node> made = new ArrayList<>();
        for (org.commonmark.node.Node block = parent.getFirstChild(); block != null; block = block.getNext()) {
            made.add(block(block));
        }
        return made;
    }

    private Node block(org.commonmark.node.Node block) {
        return switch (block) {
            case Heading heading -> heading(heading);
            case Paragraph paragraph when paragraph.getFirstChild() instanceof org.commonmark.node.Image image -> picture(image);
            case OrderedList list -> list(list, list.getMarkerStartNumber() == null ? 1 : list.getMarkerStartNumber());
            case BulletList list -> list(list, 0);
            case TableBlock table -> table(table);
            case FencedCodeBlock code -> Parts.wrapped(code.getLiteral().strip(), "mono");
            default -> flow(block);
        };
    }

    private Label heading(Heading heading) {
        Label label = Parts.wrapped(plain(heading), "strong", "help-heading-" + heading.getLevel());
        if (heading.getLevel() == 1) {
            label.setId("help-title");
        }
        return label;
    }

    /** @param first number of the first entry, or 0 for none */
    private VBox list(org.commonmark.node.Node list, int first) {
        VBox rows = new VBox(GAP);
        int number = first;
        for (org.commonmark.node.Node entry = list.getFirstChild(); entry != null; entry = entry.getNext()) {
            Label mark = Parts.label(first == 0 ? "–" : number++ + ".", "help-mark");
            VBox said = new VBox(GAP);
            said.getChildren().setAll(blocks(entry));
            said.setMinWidth(0);
            HBox.setHgrow(said, Priority.ALWAYS);
            rows.getChildren().add(new HBox(GAP, mark, said));
        }
        return rows;
    }

    private GridPane table(TableBlock table) {
        GridPane grid = new GridPane(2 * GAP, GAP / 2);
        ColumnConstraints first = new ColumnConstraints();
        first.setPercentWidth(FIRST_COLUMN);
        ColumnConstraints rest = new ColumnConstraints();
        rest.setHgrow(Priority.ALWAYS);
        grid.getColumnConstraints().setAll(first, rest);
        int line = 0;
        for (org.commonmark.node.Node part = table.getFirstChild(); part != null; part = part.getNext()) {
            for (org.commonmark.node.Node row = part.getFirstChild(); row instanceof TableRow; row = row.getNext()) {
                int column = 0;
                for (org.commonmark.node.Node cell = row.getFirstChild(); cell instanceof TableCell head; cell = cell.getNext()) {
                    TextFlow said = flow(cell);
                    said.getStyleClass().add(head.isHeader() ? "help-table-head" : "help-table");
                    grid.add(said, column++, line);
                }
                line++;
            }
        }
        return grid;
    }

    private Node picture(org.commonmark.node.Image image) {
        String words = plain(image);
        try (InputStream in = HelpTopic.picture(image.getDestination())) {
            if (in == null) {
                return Parts.wrapped(words, "note");
            }
            ImageView shown = new ImageView(new Image(in));
            shown.setPreserveRatio(true);
            shown.setSmooth(true);
            shown.fitWidthProperty().bind(Bindings.min(width, shown.getImage().getWidth()));
            shown.setAccessibleText(words);
            return shown;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private TextFlow flow(org.commonmark.node.Node block) {
        TextFlow flow = new TextFlow();
        inline(block, flow, "");
        return flow;
    }

    private void inline(org.commonmark.node.Node parent, TextFlow flow, String style) {
        for (org.commonmark.node.Node node = parent.getFirstChild(); node != null; node = node.getNext()) {
            switch (node) {
                case org.commonmark.node.Text text -> text(flow, text.getLiteral(), style);
                case SoftLineBreak _ -> text(flow, " ", style);
                case Code code -> text(flow, code.getLiteral(), "mono");
                case Emphasis _ -> inline(node, flow, "help-emphasis");
                case StrongEmphasis _ -> inline(node, flow, "help-strong");
                case Link link -> HelpTopic.linked(link.getDestination()).ifPresentOrElse(topic -> {
                    Hyperlink there = Controls.link(plain(link), () -> open.accept(topic));
                    there.setId("help-link-" + topic.id());
                    flow.getChildren().add(there);
                }, () -> inline(link, flow, style));
                default -> inline(node, flow, style);
            }
        }
    }

    private static void text(TextFlow flow, String words, String style) {
        Text text = new Text(words);
        text.getStyleClass().add("help-words");
        if (!style.isEmpty()) {
            text.getStyleClass().add(style);
        }
        flow.getChildren().add(text);
    }

    /** The words below a node without their styles. */
    private static String plain(org.commonmark.node.Node parent) {
        StringBuilder words = new StringBuilder();
        for (org.commonmark.node.Node node = parent.getFirstChild(); node != null; node = node.getNext()) {
            words.append(switch (node) {
                case org.commonmark.node.Text text -> text.getLiteral();
                case Code code -> code.getLiteral();
                case SoftLineBreak _ -> " ";
                default -> plain(node);
            });
        }
        return words.toString();
    }
}
