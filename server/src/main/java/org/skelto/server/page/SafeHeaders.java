package org.skelto.server.page;

import jakarta.servlet.ServletException;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * Headers of every answer, refusals and files included: nothing is shown in another site's frame, read by another site, or
 * kept where it should not be. The page itself replaces the content policy by one that lets it run.
 */
@Component
class SafeHeaders implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private static final String NOTHING =
            "default-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
    private static final String PERMISSIONS =
            "accelerometer=(), camera=(), display-capture=(), geolocation=(), gyroscope=(), magnetometer=(),"
                    + " microphone=(), midi=(), payment=(), usb=()";

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addEngineValves(new Valve());
    }

    private static final class Valve extends ValveBase {
        Valve() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            response.setHeader("Content-Security-Policy", NOTHING);
            response.setHeader("X-Frame-Options", "DENY");
            response.setHeader("X-Content-Type-Options", "nosniff");
            response.setHeader("Referrer-Policy", "no-referrer");
            response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
            response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
            response.setHeader("Permissions-Policy", PERMISSIONS);
            if (request.getRequestURI() == null || !request.getRequestURI().startsWith("/assets/")) {
                response.setHeader("Cache-Control", "no-store");
            }
            getNext().invoke(request, response);
        }
    }
}
