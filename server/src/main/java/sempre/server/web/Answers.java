package sempre.server.web;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.OptionalLong;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;
import sempre.core.Deadline;
import sempre.core.Limit;
import sempre.core.Saying;
import sempre.server.api.Spoken;
import sempre.server.app.Notices;
import sempre.server.store.Db;

/**
 * Keeps what was answered until anything that is stored has changed, and works out once what many
 * ask for at the same moment. So many things are worked out at once as there is room for; who has
 * waited long for a turn is told when to come again, and nothing was done for that one.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 2)
class Answers extends OncePerRequestFilter {
  private static final long KEPT_BYTES = 32L * 1024 * 1024;

  /**
   * Midnight falls on the edge of a slot in every time zone: they differ by quarters of an hour.
   */
  private static final long SLOT_SECONDS = 300;

  private static final Duration UNUSED = Duration.ofMinutes(30);
  private static final int PATIENCE_SECONDS = 8;
  private static final int AT_ONCE = 16;
  private static final Duration LONGEST = Duration.ofSeconds(Limit.SECONDS.most());

  /** What is nearly done when Sempre is stopped may still end. */
  private static final long STOPS_NANOS = TimeUnit.SECONDS.toNanos(2);

  /** Files may take many times their size while they are read. */
  private static final int UPLOADS_AT_ONCE = 2;

  private record Key(
      String address, Spoken spoken, long revision, List<Saying> notices, long slot) {}

  private record Answer(String type, byte[] body) {}

  private final Cache<Key, Answer> kept =
      Caffeine.newBuilder()
          .maximumWeight(KEPT_BYTES)
          .weigher((Key k, Answer a) -> a.body().length + k.address().length())
          .expireAfterAccess(UNUSED)
          .build();
  private final Cache<Key, CompletableFuture<Answer>> asked =
      Caffeine.newBuilder().maximumSize(1_000).build();
  private final Semaphore turns = new Semaphore(AT_ONCE, true);
  private final Semaphore uploads = new Semaphore(UPLOADS_AT_ONCE, true);
  private final Db db;
  private final Supplier<List<Saying>> notices;
  private final Clock clock;
  private final int patience;

  /** When Sempre was told to stop. */
  private final AtomicLong stopped = new AtomicLong();

  @Autowired
  Answers(Db db, Notices notices, Clock clock) {
    this(db, notices::all, clock, PATIENCE_SECONDS);
  }

  /**
   * @param notices what is to be known of the data now
   * @param patience how long a turn is waited for, in seconds
   */
  Answers(Db db, Supplier<List<Saying>> notices, Clock clock, int patience) {
    this.notices = notices;
    this.db = db;
    this.clock = clock;
    this.patience = patience;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getRequestURI().startsWith("/api/");
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    OptionalLong revision = db.revision();
    if (revision.isEmpty() || !isJson(request)) {
      inTurn(request, response, chain);
      return;
    }
    Key key = key(request, revision.getAsLong());
    Answer known = kept.getIfPresent(key);
    CompletableFuture<Answer> mine = new CompletableFuture<>();
    CompletableFuture<Answer> other =
        known == null
            ? asked.asMap().putIfAbsent(key, mine)
            : CompletableFuture.completedFuture(known);
    if (other == null) {
      first(request, response, chain, key, mine);
      return;
    }
    Answer answer = await(other);
    if (answer == null) {
      inTurn(request, response, chain);
      return;
    }
    response.setContentType(answer.type());
    response.setContentLength(answer.body().length);
    response.getOutputStream().write(answer.body());
  }

  /** Works an answer out for all who ask for it meanwhile. */
  private void first(
      HttpServletRequest request,
      HttpServletResponse response,
      FilterChain chain,
      Key key,
      CompletableFuture<Answer> answer)
      throws ServletException, IOException {
    ContentCachingResponseWrapper copy = new ContentCachingResponseWrapper(response);
    try {
      inTurn(request, copy, chain);
      if (copy.getStatus() == HttpServletResponse.SC_OK && copy.getContentType() != null) {
        Answer made = new Answer(copy.getContentType(), copy.getContentAsByteArray());
        kept.put(key, made);
        answer.complete(made);
      }
    } finally {
      // the others work it out themselves where there was none
      answer.complete(null);
      asked.asMap().remove(key, answer);
      copy.copyBodyToResponse();
    }
  }

  private static Answer await(CompletableFuture<Answer> other) {
    try {
      return other.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return null;
    } catch (java.util.concurrent.ExecutionException | java.util.concurrent.TimeoutException e) {
      return null;
    }
  }

  private void inTurn(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String type = String.valueOf(request.getContentType());
    Semaphore of = type.startsWith("multipart/") ? uploads : turns;
    if (!turn(of)) {
      response.setHeader(HttpHeaders.RETRY_AFTER, "2");
      Problems.write(request, response, 503, Saying.of("wrong.busy"));
      return;
    }
    // also where the one who asked has gone: nothing holds a turn for longer
    Deadline.begin(LONGEST, this::stops);
    try {
      chain.doFilter(request, response);
    } finally {
      Deadline.over();
      of.release();
    }
  }

  @EventListener(ContextClosedEvent.class)
  void stop() {
    stopped.set(System.nanoTime());
  }

  private boolean stops() {
    return stopped.get() != 0 && System.nanoTime() - stopped.get() > STOPS_NANOS;
  }

  private boolean turn(Semaphore of) {
    try {
      return of.tryAcquire(patience, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  /** Files are made anew for each who asks; a backup is never one of before. */
  private static boolean isJson(HttpServletRequest request) {
    String uri = request.getRequestURI();
    String accept = request.getHeader(HttpHeaders.ACCEPT);
    return request.getMethod().equals("GET")
        && !uri.equals("/api/backup")
        && !uri.endsWith("/file")
        && !uri.substring(uri.lastIndexOf('/')).contains(".")
        && (accept == null
            || accept.contains("*/*")
            || accept.contains(MediaType.APPLICATION_JSON_VALUE));
  }

  private Key key(HttpServletRequest request, long revision) {
    return new Key(
        request.getRequestURI() + "?" + request.getQueryString(),
        Spoken.of(request),
        revision,
        List.copyOf(notices.get()),
        clock.instant().getEpochSecond() / SLOT_SECONDS);
  }
}
