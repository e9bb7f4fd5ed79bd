package sempre.server.web;

import com.fasterxml.jackson.annotation.Nulls;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import org.apache.catalina.core.StandardHost;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;
import org.springframework.web.servlet.resource.PathResourceResolver;

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
      "/drums/**",
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
}
