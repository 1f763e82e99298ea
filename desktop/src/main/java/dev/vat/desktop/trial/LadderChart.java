package dev.vat.desktop.trial;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.trial.FileForecast;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Forecasts;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.BiPredicate;
import java.util.function.ToDoubleFunction;
import java.util.stream.DoubleStream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polyline;

/** A curve for each file: bytes to the right, in steps of their ratio, likeness upwards. Points are buttons. */
final class LadderChart extends Pane {

    private static final Words WORDS = Words.of(LadderChart.class);

    /** Told of a step of a deliverable. */
    interface Told {
        void of(Deliverable deliverable, Deliverable step, FileForecast file);
    }

    private static final double LEFT = 64;
    private static final double RIGHT = 40;
    private static final double TOP = 24;
    private static final double BOTTOM = 44;
    private static final double POINT = 26;
    private static final int RULES = 5;
    /** What stands for a file of which nothing is lost, above all others. */
    private static final double SAME = 100;

    private final List<Forecasts.Ladder> ladders;
    private final BiPredicate<Deliverable, Deliverable> chosen;
    private final Told told;
    private final BiConsumer<Deliverable, Deliverable> picked;
    private boolean ssim;

    LadderChart(List<Forecasts.Ladder> ladders, BiPredicate<Deliverable, Deliverable> chosen, Told told,
            BiConsumer<Deliverable, Deliverable> picked) {
        this.ladders = ladders;
        this.chosen = chosen;
        this.told = told;
        this.picked = picked;
        setId("ladder-chart");
        getStyleClass().add("ladder-chart");
        widthProperty().addListener(_ -> refresh());
        heightProperty().addListener(_ -> refresh());
    }

    void setSsim(boolean on) {
        ssim = on;
        refresh();
    }

    private double likeness(FileForecast file) {
        // SSIM comes so near to 1 that its distance from it is what shows.
        return ssim ? -10 * Math.log10(Math.max(1e-6, 1 - file.ssim().middle())) : file.psnr() == null ? SAME : file.psnr().middle();
    }

    private String likenessWords(double value) {
        return ssim ? String.format(Locale.ROOT, "%.4f", 1 - Math.pow(10, -value / 10))
                : WORDS.say("psnr", Words.decimal(value, 0));
    }

    /** One direction of the chart. */
    private record Scale(double low, double high, double from, double to) {
        static Scale of(List<Forecasts.Ladder> ladders, ToDoubleFunction<FileForecast> value, double from, double to) {
            double low = ladders.stream().flatMap(l -> l.steps().values().stream()).mapToDouble(value).min().orElse(0);
            double high = ladders.stream().flatMap(l -> l.steps().values().stream()).mapToDouble(value).max().orElse(1);
            double room = Math.max(1e-6, (high - low) * .06);
            return new Scale(low - room, high + room, from, to);
        }

        double at(double value) {
            return from + (value - low) / (high - low) * (to - from);
        }

    }

    /** Draws everything anew. */
    void refresh() {
        getChildren().clear();
        if (getWidth() < 2 * LEFT || getHeight() < 2 * BOTTOM) {
            return;
        }
        Scale across = Scale.of(ladders, f -> Math.log(f.bytes().middle()), LEFT, getWidth() - RIGHT);
        Scale up = Scale.of(ladders, this::likeness, getHeight() - BOTTOM, TOP);
        for (double value : roundValues(up, ssim ? 0 : 1)) {
            rule(LEFT, up.at(value), getWidth() - RIGHT, up.at(value), likenessWords(value), 4, up.at(value) - 9);
        }
        for (double bytes : roundBytes(across)) {
            double x = across.at(Math.log(bytes));
            rule(x, TOP, x, getHeight() - BOTTOM, RoughForecast.bytes(Math.round(bytes)), x - 24, getHeight() - BOTTOM + 6);
        }
        Label axis = Parts.label(ssim ? "SSIM" : "PSNR", "note");
        axis.relocate(4, 2);
        Label bytes = Parts.label(WORDS.say("bytesOfTheWholeFile"), "note");
        bytes.relocate(LEFT, getHeight() - 20);
        getChildren().addAll(axis, bytes);
        for (int i = 0; i < ladders.size(); i++) {
            draw(ladders.get(i), i, across, up);
        }
    }

    /** Values that are easily read, some five of them. */
    private static List<Double> roundValues(Scale scale, double least) {
        double rough = (scale.high - scale.low) / RULES;
        double power = Math.pow(10, Math.floor(Math.log10(rough)));
        double step = Math.max(least,
                rough / power < 1.5 ? power : rough / power < 3.5 ? 2 * power : rough / power < 7.5 ? 5 * power : 10 * power);
        return DoubleStream.iterate(Math.ceil(scale.low / step) * step, v -> v <= scale.high, v -> v + step).boxed().toList();
    }

    /** One, two and five of each power of ten; more where these are too few. */
    private static List<Double> roundBytes(Scale scale) {
        double low = Math.exp(scale.low);
        double high = Math.exp(scale.high);
        double[] digits = high / low < 6 ? new double[] {1, 1.2, 1.5, 2, 2.5, 3, 4, 5, 6, 8} : new double[] {1, 2, 5};
        List<Double> values = new ArrayList<>();
        for (double power = Math.pow(10, Math.floor(Math.log10(low))); power <= high; power *= 10) {
            for (double digit : digits) {
                if (digit * power >= low && digit * power <= high) {
                    values.add(digit * power);
                }
            }
        }
        return values;
    }

    private void rule(double x1, double y1, double x2, double y2, String words, double x, double y) {
        Line line = new Line(x1, y1, x2, y2);
        line.getStyleClass().add("chart-rule");
        Label label = Parts.label(words, "mono", "note");
        label.relocate(x, y);
        getChildren().addAll(line, label);
    }

    private void draw(Forecasts.Ladder ladder, int number, Scale across, Scale up) {
        Polyline curve = new Polyline();
        curve.getStyleClass().addAll("chart-curve", "curve-" + number % 4);
        List<Map.Entry<Deliverable, FileForecast>> bySize = ladder.steps().entrySet().stream()
                .sorted(Comparator.comparingDouble(e -> e.getValue().bytes().middle())).toList();
        List<Map.Entry<Deliverable, FileForecast>> onCurve = bySize.stream()
                .filter(e -> e.getKey().settings().effort() == ladder.deliverable().settings().effort()).toList();
        onCurve.forEach(e -> curve.getPoints().addAll(across.at(Math.log(e.getValue().bytes().middle())), up.at(likeness(e.getValue()))));
        getChildren().add(curve);
        List<Button> points = new ArrayList<>();
        for (Map.Entry<Deliverable, FileForecast> step : bySize) {
            FileForecast file = step.getValue();
            double y = up.at(likeness(file));
            Line range = new Line(across.at(Math.log(file.bytes().low())), y, across.at(Math.log(file.bytes().high())), y);
            range.getStyleClass().addAll("chart-range", "curve-" + number % 4);
            getChildren().add(range);
            points.add(point(ladder, step.getKey(), file, across.at(Math.log(file.bytes().middle())), y, onCurve.contains(step)));
        }
        getChildren().addAll(points);
        if (!onCurve.isEmpty() && ladders.size() > 1) {
            Map.Entry<Deliverable, FileForecast> last = onCurve.getLast();
            Label name = Parts.label(ladder.deliverable().title(), "note", "curve-name");
            double x = across.at(Math.log(last.getValue().bytes().middle()));
            name.relocate(Math.max(LEFT, x - 150), Math.max(0, up.at(likeness(last.getValue())) - 32));
            getChildren().add(name);
        }
    }

    private Button point(Forecasts.Ladder ladder, Deliverable step, FileForecast file, double x, double y, boolean onCurve) {
        String text = step.settings().control() instanceof RateControl.Constant(int number) ? Integer.toString(number) : "";
        Button point = Parts.button("step-" + step.id().replace('~', '-'), onCurve ? text : step.settings().effort().title(),
                () -> picked.accept(ladder.deliverable(), step));
        point.getStyleClass().addAll("chart-point", "mono");
        if (chosen.test(ladder.deliverable(), step)) {
            point.getStyleClass().add("here");
        }
        point.setAccessibleText(WORDS.say("quality", ladder.deliverable().title(), text, step.settings().effort().title(),
                RoughForecast.bytes(Math.round(file.bytes().middle())), likenessWords(likeness(file))));
        point.setTooltip(new Tooltip(point.getAccessibleText()));
        point.setOnMouseEntered(_ -> told.of(ladder.deliverable(), step, file));
        point.focusedProperty().addListener((_, _, here) -> {
            if (here) {
                told.of(ladder.deliverable(), step, file);
            }
        });
        // Below the curve where the effort is another, so that both can be read.
        point.relocate(x - POINT / 2, y - POINT / 2 + (onCurve ? 0 : POINT));
        return point;
    }
}
