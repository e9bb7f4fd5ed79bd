package sempre.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import sempre.core.Limit;
import sempre.core.Saying;

/**
 * Bounds what is sent at once, before any of it is read: files that are uploaded have a limit of
 * their own. Also refuses addresses that can't be decoded.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class Bodies extends OncePerRequestFilter {
  private static final int KILOBYTE = 1024;
  private static final long MOST = (long) Limit.BODY_KILOBYTES.most() * KILOBYTE;

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String type = String.valueOf(request.getContentType());
    if (type.toLowerCase(java.util.Locale.ROOT).startsWith("multipart/")) {
      chain.doFilter(request, response);
      return;
    }
    if (request.getContentLengthLong() > MOST) {
      tooMuch(request, response);
      return;
    }
    try {
      // an address that can't be decoded is found here, not in the middle of something
      request.getParameterMap();
    } catch (IllegalStateException e) {
      Problems.write(request, response, 400, Saying.of("wrong.query"));
      return;
    }
    chain.doFilter(new Counted(request), response);
  }

  private static void tooMuch(HttpServletRequest request, HttpServletResponse response)
      throws IOException {
    Problems.write(request, response, 413, Limit.BODY_KILOBYTES.saying());
  }

  /** A request whose body ends with an error where it is too long. */
  private static final class Counted extends HttpServletRequestWrapper {
    private ServletInputStream stream;

    private Counted(HttpServletRequest request) {
      super(request);
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      if (stream == null) {
        stream = new Stream(super.getInputStream());
      }
      return stream;
    }

    private final class Stream extends ServletInputStream {
      private final ServletInputStream in;
      private long read;

      private Stream(ServletInputStream in) {
        this.in = in;
      }

      @Override
      public int read() throws IOException {
        return count(in.read(), 1);
      }

      @Override
      public int read(byte[] b, int off, int len) throws IOException {
        int n = in.read(b, off, len);
        return count(n, n);
      }

      private int count(int result, int more) {
        if (result >= 0) {
          read += more;
        }
        Limit.BODY_KILOBYTES.check((read + KILOBYTE - 1) / KILOBYTE);
        return result;
      }

      @Override
      public boolean isFinished() {
        return in.isFinished();
      }

      @Override
      public boolean isReady() {
        return in.isReady();
      }

      @Override
      public void setReadListener(ReadListener listener) {
        in.setReadListener(listener);
      }
    }
  }
}
