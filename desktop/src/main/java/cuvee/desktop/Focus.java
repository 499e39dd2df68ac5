package cuvee.desktop;

import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;

/** Where the keys go after a part of the window was built anew. */
final class Focus {
    private Focus() {}

    /**
     * Takes the keys away from what is about to be hidden. Left to the toolkit they would go to whatever comes next, such as
     * the button that takes back what was just done.
     */
    static void leave(Node hidden) {
        Node owner = hidden.getScene() == null ? null : hidden.getScene().getFocusOwner();
        if (owner == null || !isWithin(owner, hidden)) {
            return;
        }
        for (Parent around = hidden.getParent(); around != null; around = around.getParent()) {
            Optional<Node> grid = around.lookupAll(".grid-view").stream()
                    .filter(each -> !isWithin(each, hidden) && isShown(each))
                    .findFirst();
            if (grid.isPresent()) {
                grid.get().requestFocus();
                return;
            }
        }
    }

    private static boolean isWithin(Node node, Node part) {
        Node at = node;
        while (at != null && at != part) {
            at = at.getParent();
        }
        return at != null;
    }

    private static boolean isShown(Node node) {
        Node at = node;
        while (at != null && at.isVisible()) {
            at = at.getParent();
        }
        return at == null;
    }

    /**
     * Builds a part anew. What had the focus in it has it again, known by its id; where that is gone, a neighbour takes it,
     * so that the next key never lands elsewhere in the window.
     */
    static void kept(Parent part, Node otherwise, Runnable build) {
        Node owner = part.getScene() == null ? null : part.getScene().getFocusOwner();
        boolean within = owner != null && isWithin(owner, part);
        String id = owner == null || owner.getId() == null ? "" : owner.getId();
        build.run();
        if (within) {
            Platform.runLater(() -> {
                Node again = id.isEmpty() ? null : part.lookup("#" + id);
                (again == null ? otherwise : again).requestFocus();
            });
        }
    }
}
