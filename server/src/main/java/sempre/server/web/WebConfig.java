package sempre.server.web;

import com.fasterxml.jackson.annotation.Nulls;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.time.Duration;
import java.util.Set;
import org.apache.catalina.core.StandardHost;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.CacheControl;
import org.springframework.stereotype.Component;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;
import org.springframework.web.servlet.resource.PathResourceResolver;
import sempre.core.Saying;

/** Serves the interface: its files, and its one page under every address of it. */
@Configuration
public class WebConfig implements WebMvcConfigurer {
  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/static/assets/")
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable())
        .resourceChain(true)
        .addResolver(new EncodedResourceResolver())
        .addResolver(new PathResourceResolver());
    registry
        .addResourceHandler("/*.svg", "/*.js", "/*.txt", "/index.html")
        .addResourceLocations("classpath:/static/");
  }

  /** A list or a map with nothing in one of its places is not what anybody meant. */
  @Bean
  JsonMapperBuilderCustomizer noGaps() {
    return mapper -> mapper.changeDefaultNullHandling(n -> n.withContentNulls(Nulls.FAIL));
  }

  /** What Tomcat refuses before it comes to a controller is told in the same form. */
  @Bean
  WebServerFactoryCustomizer<TomcatServletWebServerFactory> refusals() {
    return factory ->
        factory.addContextCustomizers(
            context ->
                ((StandardHost) context.getParent())
                    .setErrorReportValveClass(Problems.Refusals.class.getName()));
  }

  /** The interface's own addresses; it decides itself what to show. */
  @Controller
  static class Pages {
    @GetMapping({
      "/",
      "/stand/**",
      "/ear/**",
      "/simpler/**",
      "/practice/**",
      "/tools",
      "/sheet/**",
      "/chart/**",
      "/scale/**",
      "/parts/**",
      "/shelf/**",
      "/people/**",
      "/removed/**",
      "/help/**",
      "/notes/**"
    })
    String page(HttpServletResponse response) {
      response.setHeader("Cache-Control", "no-cache");
      return "forward:/index.html";
    }
  }

  /**
   * Keeps other sites out: a request must be addressed to this machine by name, and one that
   * changes something must come from its own page. Says what a page may load: nothing from
   * elsewhere.
   */
  @Component
  @Order(Ordered.HIGHEST_PRECEDENCE)
  static class OwnPagesOnly extends OncePerRequestFilter {
    private static final Set<String> HOSTS = Set.of("localhost", "127.0.0.1", "[::1]");

    @Override
    protected void doFilterInternal(
        HttpServletRequest request, HttpServletResponse response, FilterChain chain)
        throws ServletException, IOException {
      String origin = request.getHeader("Origin");
      boolean changes = !Set.of("GET", "HEAD").contains(request.getMethod());
      if (!HOSTS.contains(request.getServerName())
          || changes && origin != null && !own(origin, request)) {
        Problems.write(request, response, 403, Saying.of("wrong.host"));
        return;
      }
      response.setHeader(
          "Content-Security-Policy",
          "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self'"
              + " 'unsafe-inline'; img-src 'self' data:; font-src 'self'"
              + " data:; worker-src 'self'; connect-src 'self';"
              + " frame-ancestors 'none'; base-uri 'none'; form-action 'self'");
      response.setHeader("X-Content-Type-Options", "nosniff");
      response.setHeader("Referrer-Policy", "no-referrer");
      response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
      if (request.getRequestURI().startsWith("/api")) {
        // names of students do not rest in a browser's cache
        response.setHeader("Cache-Control", "no-store");
      }
      chain.doFilter(request, response);
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
}
