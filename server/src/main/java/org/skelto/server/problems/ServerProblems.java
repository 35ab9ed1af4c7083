package org.skelto.server.problems;

import java.io.IOException;
import java.io.Writer;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;

/** What the web server refuses before the application sees it, such as a slash in a name, is told in the same form. */
@Component
class ServerProblems implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addContextCustomizers(
                context -> ((StandardHost) context.getParent()).setErrorReportValveClass(ProblemValve.class.getName()));
    }

    /** Writes a problem document in place of a page; the web server makes it by its name. */
    public static final class ProblemValve extends ErrorReportValve {
        @Override
        protected void report(Request request, Response response, Throwable throwable) {
            int code = response.getStatus();
            if (code < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
                return;
            }
            HttpStatus status = HttpStatus.resolve(code);
            try {
                response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
                response.setCharacterEncoding("UTF-8");
                Writer out = response.getReporter();
                if (out != null) {
                    out.write(ProblemWriter.document(
                            code,
                            status == null ? "Refused" : status.getReasonPhrase(),
                            "The request cannot be understood. Nothing was changed."));
                    response.finishResponse();
                }
            } catch (IOException e) {
                container.getLogger().debug("a refusal could not be told", e);
            }
        }
    }
}
