package dev.vat.desktop.look;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.Recipe;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.protocol.ViewerMessage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;

class SmallPicturesTest {

    private final Map<ViewerMessage.Subject, List<CompletableFuture<ShownPicture>>> asked = new LinkedHashMap<>();
    private final SmallPictures pictures = new SmallPictures((subject, _) -> {
        CompletableFuture<ShownPicture> answer = new CompletableFuture<>();
        asked.computeIfAbsent(subject, _ -> new ArrayList<>()).add(answer);
        return answer;
    }, 10, Runnable::run, _ -> {});

    private static SmallPictures.Key key(int shade) {
        return SmallPictures.Key.of(new ViewerMessage.Made(new Recipe.Plain(Size.of(8, 8), new Rgb(shade, shade, shade))), 8, 8);
    }

    private CompletableFuture<ShownPicture> answer(int shade, int time) {
        return asked.get(key(shade).subject()).get(time);
    }

    @Test
    void eachIsAskedForOnceAndWhatIsWantedNoLongerIsLetGo() {
        pictures.want(Set.of(key(1), key(2)));
        pictures.want(Set.of(key(1), key(2), key(3)));
        assertThat(asked.values()).allSatisfy(times -> assertThat(times).hasSize(1)).hasSize(3);
        pictures.want(Set.of(key(3)));
        assertThat(answer(1, 0).isCancelled() && answer(2, 0).isCancelled()).isTrue();
        assertThat(answer(3, 0).isCancelled()).isFalse();
        assertThat(pictures.isThere()).isFalse();
        pictures.want(Set.of());
        assertThat(pictures.isThere()).isTrue();
        pictures.want(Set.of(key(1)));
        assertThat(asked.get(key(1).subject())).as("wanted again, asked again").hasSize(2);
    }

    @Test
    void whatCantBeShownIsAskedForAgainOnlyWhenSomebodySaysSo() {
        pictures.want(Set.of(key(1)));
        answer(1, 0).completeExceptionally(new IllegalStateException("unreadable"));
        assertThat(pictures.isThere()).isTrue();
        assertThat(pictures.get(key(1))).isNull();
        pictures.want(Set.of(key(1)));
        assertThat(asked.get(key(1).subject())).hasSize(1);
        pictures.tryAgain();
        pictures.want(Set.of(key(1)));
        assertThat(asked.get(key(1).subject())).hasSize(2);
    }
}
