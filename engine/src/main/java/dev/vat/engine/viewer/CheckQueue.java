package dev.vat.engine.viewer;

import dev.vat.protocol.ViewerMessage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Checks that go on. Its owner's lock is held for all of it. */
final class CheckQueue {

    private final List<CheckJob> jobs = new ArrayList<>();

    void add(CheckJob job) {
        jobs.add(job);
    }

    /** What is asked next, of the first check that wants more. @param id the question's number */
    Optional<ViewerMessage.Check> next(long id) {
        jobs.removeIf(CheckJob::isOver);
        return jobs.stream().flatMap(job -> job.nextQuestion(id).stream()).findFirst();
    }

    void answered(ViewerMessage.Checked checked) {
        jobs.stream().filter(j -> j.owns(checked.id())).findFirst().ifPresent(j -> j.answered(checked));
    }

    /** Whether any answer is waited for. */
    boolean isAsking() {
        return jobs.stream().anyMatch(CheckJob::isAsking);
    }

    void workerLost() {
        List.copyOf(jobs).forEach(CheckJob::workerLost);
    }

    void failAll(String why) {
        jobs.forEach(j -> j.fail(why));
        jobs.clear();
    }
}
