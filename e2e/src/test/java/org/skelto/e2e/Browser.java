package org.skelto.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ReducedMotion;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/** Debian's Chromium, started once for all journeys; each journey takes a window of its own. */
public final class Browser implements ParameterResolver, AutoCloseable {
    private static final List<String> QUIET = List.of(
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    private static final double ASSERTED_MS = 30_000;

    private Playwright playwright;
    private com.microsoft.playwright.Browser chromium;

    /** Opens windows. */
    @FunctionalInterface
    public interface Windows {
        /** A window of 1280 x 800 with nothing remembered. */
        Page open();
    }

    private void start() {
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        List<String> args = new ArrayList<>(QUIET);
        boolean root = "root".equals(System.getProperty("user.name"));
        if (root) {
            args.add("--no-sandbox");
        }
        // two journeys share the machine
        PlaywrightAssertions.setDefaultAssertionTimeout(ASSERTED_MS);
        chromium = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setChromiumSandbox(!root)
                        .setArgs(args));
    }

    private Page window() {
        BrowserContext context = chromium.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(1280, 800)
                .setColorScheme(ColorScheme.LIGHT)
                .setReducedMotion(ReducedMotion.REDUCE));
        context.setDefaultTimeout(40_000);
        return context.newPage();
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == Windows.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        Browser one = context.getRoot()
                .getStore(ExtensionContext.Namespace.create(Browser.class))
                .getOrComputeIfAbsent(
                        "browser",
                        key -> {
                            Browser made = new Browser();
                            made.start();
                            return made;
                        },
                        Browser.class);
        Windows windows = one::window;
        return windows;
    }

    @Override
    public void close() {
        if (playwright != null) {
            playwright.close();
        }
    }
}
