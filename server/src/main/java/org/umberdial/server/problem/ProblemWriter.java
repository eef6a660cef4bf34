package org.umberdial.server.problem;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import tools.jackson.databind.ObjectMapper;

/** Answers with a problem from where no controller has been reached yet. */
@Component
public class ProblemWriter {
    private final ObjectMapper json;

    ProblemWriter(ObjectMapper json) {
        this.json = json;
    }

    public void write(HttpServletResponse response, Problem problem) throws IOException {
        if (problem.retryAfterSeconds() > 0) {
            response.setHeader(HttpHeaders.RETRY_AFTER, Integer.toString(problem.retryAfterSeconds()));
        }
        write(response, problem.kind(), problem.getMessage());
    }

    public void write(HttpServletResponse response, Problem.Kind kind, String detail) throws IOException {
        write(response, kind, kind.status().value(), detail);
    }

    public void write(HttpServletResponse response, Problem.Kind kind, int status, String detail) throws IOException {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("type", kind.type());
        body.put("title", kind.title());
        body.put("status", status);
        body.put("detail", detail);
        body.put("errors", List.of());
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getWriter().write(json.writeValueAsString(body));
    }
}
