package cuvee.desktop;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.Heading;
import org.commonmark.node.Image;
import org.commonmark.node.ListItem;
import org.commonmark.node.Node;
import org.commonmark.node.Text;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.text.TextContentRenderer;

/** The tasks of docs/tasks.md, as they are built into the window. */
final class GuidePages {
    private static final String FOLDER = "guide/";
    private static final int TASK = 2;

    private GuidePages() {}

    /**
     * A task.
     *
     * @param picture the resource of its picture; empty for none
     * @param caption what the picture shows
     */
    record Task(String title, String picture, String caption, List<String> steps) {
        Task {
            steps = List.copyOf(steps);
        }
    }

    static List<Task> read() {
        try (Reader in = new InputStreamReader(
                Objects.requireNonNull(GuidePages.class.getResourceAsStream(FOLDER + "tasks.md"), "the guide"),
                StandardCharsets.UTF_8)) {
            Tasks tasks = new Tasks();
            Parser.builder().build().parseReader(in).accept(tasks);
            tasks.end();
            return tasks.found;
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static final class Tasks extends AbstractVisitor {
        private final TextContentRenderer plain = TextContentRenderer.builder().build();
        private final List<Task> found = new ArrayList<>();
        private String title = "";
        private String picture = "";
        private String caption = "";
        private List<String> steps = new ArrayList<>();

        @Override
        public void visit(Heading heading) {
            end();
            title = heading.getLevel() == TASK ? text(heading) : "";
        }

        @Override
        public void visit(Image image) {
            picture = FOLDER + image.getDestination();
            caption = image.getFirstChild() instanceof Text alternative ? alternative.getLiteral() : "";
        }

        @Override
        public void visit(ListItem item) {
            // A list item without its list is written as nothing.
            steps.add(text(item.getFirstChild()));
        }

        private String text(Node node) {
            return plain.render(node).replaceAll("\\s+", " ").strip();
        }

        /** Keeps the task that was being read. */
        void end() {
            if (!title.isEmpty()) {
                found.add(new Task(title, picture, caption, steps));
            }
            title = "";
            picture = "";
            caption = "";
            steps = new ArrayList<>();
        }
    }
}
