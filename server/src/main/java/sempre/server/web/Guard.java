package sempre.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import sempre.core.Saying;

/**
 * Keeps others out: a request must come from this machine and be addressed to it by name; one that
 * changes something, and any question to the API, must come from Sempre's own pages or from a
 * program that is no page. Says what a page may load and use: nothing from elsewhere.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
final class Guard extends OncePerRequestFilter {
  private static final Set<String> HOSTS = Set.of("localhost", "127.0.0.1", "[::1]");
  private static final Set<String> OWN_SITE = Set.of("same-origin", "none");

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (!fromHere(request) || !addressed(request) || !ownPage(request)) {
      Problems.write(request, response, 403, Saying.of("wrong.host"));
      return;
    }
    if (String.valueOf(request.getContentType()).contains("*")) {
      Problems.write(request, response, 415, Saying.of("wrong.request"));
      return;
    }
    headers(response, isApi(request));
    chain.doFilter(request, response);
  }

  /** What every answer says, whatever becomes of the request. */
  static void headers(HttpServletResponse response, boolean api) {
    response.setHeader(
        "Content-Security-Policy",
        api
            // data, also where it is a file that somebody brought: never a page that runs
            ? "sandbox; default-src 'none'; frame-ancestors 'none'"
            : "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self'"
                + " 'unsafe-inline'; img-src 'self' data:; font-src 'self'"
                + " data:; worker-src 'self'; connect-src 'self';"
                + " frame-ancestors 'none'; base-uri 'none'; form-action 'self'");
    response.setHeader("X-Content-Type-Options", "nosniff");
    response.setHeader("Referrer-Policy", "no-referrer");
    response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
    response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
    response.setHeader(
        "Permissions-Policy",
        "microphone=(self), midi=(self), screen-wake-lock=(self), camera=(), geolocation=(),"
            + " display-capture=(), payment=(), usb=(), serial=(), hid=(), bluetooth=()");
    if (api) {
      // names of students are not left in a browser's cache
      response.setHeader("Cache-Control", "no-store");
    }
  }

  private static boolean isApi(HttpServletRequest request) {
    return request.getRequestURI().startsWith("/api");
  }

  /** Not a header but the line itself says where a request comes from. */
  private static boolean fromHere(HttpServletRequest request) {
    try {
      return InetAddress.getByName(request.getRemoteAddr()).isLoopbackAddress();
    } catch (UnknownHostException e) {
      return false;
    }
  }

  private static boolean addressed(HttpServletRequest request) {
    return HOSTS.contains(request.getServerName());
  }

  private static boolean ownPage(HttpServletRequest request) {
    String site = request.getHeader("Sec-Fetch-Site");
    if (isApi(request) && site != null && !OWN_SITE.contains(site)) {
      return false;
    }
    String origin = request.getHeader("Origin");
    boolean changes = !Set.of("GET", "HEAD").contains(request.getMethod());
    return !changes || origin == null || own(origin, request);
  }

  private static boolean own(String origin, HttpServletRequest request) {
    try {
      URI uri = URI.create(origin);
      // a sandboxed page and a file say "null", which has no host
      return uri.getHost() != null
          && HOSTS.contains(uri.getHost())
          && uri.getPort() == request.getServerPort();
    } catch (IllegalArgumentException e) {
      return false;
    }
  }
}
