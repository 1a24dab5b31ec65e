package app.loculus.app.config;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

@ExtendWith(MockitoExtension.class)
class LocalOnlyTest {

    @Mock
    private FilterChain chain;

    private final MockHttpServletResponse response = new MockHttpServletResponse();

    private static MockHttpServletRequest request(String host, String origin) {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/api/shows");
        request.setServerName(host);
        request.setServerPort(8080);
        if (origin != null) {
            request.addHeader("Origin", origin);
        }
        return request;
    }

    private void filter(MockHttpServletRequest request) throws ServletException, IOException {
        new LocalOnly().doFilter(request, response, chain);
    }

    @ParameterizedTest
    @CsvSource({"localhost,http://localhost:8080", "127.0.0.1,http://127.0.0.1:8080", "localhost,"})
    void this_machines_own_pages_and_scripts_are_let_in(String host, String origin) throws Exception {
        MockHttpServletRequest request = request(host, origin);
        filter(request);
        verify(chain).doFilter(request, response);
        assertThat(response.getHeader("Content-Security-Policy"))
                .contains("default-src 'self'")
                .contains("object-src 'none'");
        assertThat(response.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "http://elsewhere.example",
                "http://localhost:9999",
                "null",
                "file://",
                "http://localhost.elsewhere.example:8080",
                "%%%"
            })
    void pages_from_elsewhere_are_turned_away(String origin) throws Exception {
        MockHttpServletRequest request = request("localhost", origin);
        filter(request);
        verify(chain, never()).doFilter(request, response);
        assertThat(response.getStatus()).isEqualTo(403);
    }

    @Test
    void a_foreign_name_that_leads_here_is_turned_away() throws Exception {
        MockHttpServletRequest request = request("loculus.elsewhere.example", null);
        filter(request);
        verify(chain, never()).doFilter(request, response);
        assertThat(response.getStatus()).isEqualTo(403);
    }
}
