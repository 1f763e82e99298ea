package dev.vat.engine.viewer;

import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.CompletableFuture;

/** What a viewer process was asked beside pictures and checks, by number: each is answered with a value, or with a reason in words. */
final class Questions {

    private final Map<Long, CompletableFuture<?>> open = new HashMap<>();

    <T> CompletableFuture<T> ask(long id) {
        CompletableFuture<T> answer = new CompletableFuture<>();
        open.put(id, answer);
        return answer;
    }

    /** @param why there is no value, or null */
    void answered(long id, Object value, String why) {
        CompletableFuture<?> question = open.remove(id);
        if (question == null) {
            return;
        }
        if (why == null) {
            @SuppressWarnings("unchecked")
            CompletableFuture<Object> answer = (CompletableFuture<Object>) question;
            answer.complete(value);
        } else {
            question.completeExceptionally(new IllegalStateException(why));
        }
    }

    void failAll(String why) {
        open.values().forEach(q -> q.completeExceptionally(new IllegalStateException(why)));
        open.clear();
    }
}
