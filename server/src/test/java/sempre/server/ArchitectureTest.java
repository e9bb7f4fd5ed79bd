package sempre.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.Dependency;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethodCall;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption.DoNotIncludeTests;
import com.tngtech.archunit.core.importer.Location;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.server.store.Db;

/** Dependencies point one way, and core knows nothing of the web, of SQL or of Spring. */
public class ArchitectureTest {
  private final JavaClasses all = new ClassFileImporter().importPackages("sempre");
  private final JavaClasses product =
      all.that(
          DescribedPredicate.describe(
              "of the product",
              c ->
                  c.getSource()
                      .map(s -> new DoNotIncludeTests().includes(Location.of(s.getUri())))
                      .orElse(true)));

  @Test
  public void coreDependsOnNothingButAYamlReader() {
    classes()
        .that()
        .resideInAPackage("sempre.core..")
        .and()
        .haveSimpleNameNotEndingWith("Test")
        .should()
        .onlyDependOnClassesThat()
        .resideInAnyPackage("sempre.core..", "java..", "org.snakeyaml.engine..")
        .check(all);
    noClasses()
        .that()
        .resideInAPackage("sempre.core..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("java.sql..", "java.net..", "javax.servlet..", "jakarta..")
        .check(all);
  }

  @Test
  public void noTwoPackagesOfTheCoreNeedEachOther() {
    slices().matching("sempre.core.(*)..").should().beFreeOfCycles().check(all);
  }

  /** Every package of the core and every one right below the server, and what it says it uses. */
  @DataProvider
  public Object[][] uses() throws IOException {
    List<Object[]> said = new ArrayList<>();
    for (String root : List.of("core", "server")) {
      Path packages = Path.of("..", root, "src/main/java/sempre", root);
      try (Stream<Path> below = Files.list(packages)) {
        for (Path dir : below.filter(Files::isDirectory).sorted().toList()) {
          String text =
              Files.readString(dir.resolve("package-info.java")).replaceAll("\\s+\\*?", " ");
          Matcher uses = Pattern.compile("Uses ([^.]*)\\.").matcher(text);
          assertTrue(uses.find(), dir + " does not say what it uses");
          Set<String> names = new TreeSet<>();
          Matcher name = Pattern.compile("\\{@code +(\\w+)\\}").matcher(uses.group(1));
          while (name.find()) {
            names.add(name.group(1));
          }
          said.add(new Object[] {root, dir.getFileName().toString(), names});
        }
      }
    }
    return said.toArray(Object[][]::new);
  }

  /** No more and no less; classes that stand in the root of a module are everyone's. */
  @Test(dataProvider = "uses")
  public void aPackageUsesWhatItSaysItDoes(String root, String name, Set<String> said) {
    String own = "sempre." + root + "." + name;
    Set<String> used = new TreeSet<>();
    for (JavaClass one : product) {
      if (one.getPackageName().equals(own) || one.getPackageName().startsWith(own + ".")) {
        for (Dependency d : one.getDirectDependenciesFromSelf()) {
          String[] to = d.getTargetClass().getPackageName().split("\\.");
          boolean within = to.length > 1 && to[0].equals("sempre") && to[1].equals(root);
          if (within && to.length > 2) {
            used.add(to[2]);
          } else if (!within && to[0].equals("sempre")) {
            used.add(to[1]);
          }
        }
      }
    }
    used.remove(name);
    assertEquals(used, said, own + " uses " + used + " and says " + said);
  }

  @Test
  public void everyPackageSaysWhatLivesInIt() throws IOException {
    List<String> without = new ArrayList<>();
    for (String module : List.of("core", "words", "formats", "server")) {
      try (Stream<Path> all = Files.walk(Path.of("..", module, "src/main/java"))) {
        all.filter(Files::isDirectory)
            .filter(d -> !List.of(d.toFile().list((f, n) -> n.endsWith(".java"))).isEmpty())
            .filter(d -> !Files.exists(d.resolve("package-info.java")))
            .forEach(d -> without.add(d.toString()));
      }
    }
    assertTrue(without.isEmpty(), without.toString());
  }

  /** Statements of SQL stand beside the record that they fill. */
  @Test
  public void onlyTheStoreSpeaksSql() {
    noClasses()
        .that()
        .resideOutsideOfPackage("sempre.server.store..")
        .should()
        .callMethodWhere(
            DescribedPredicate.describe(
                "its first argument is a statement",
                (JavaMethodCall call) ->
                    call.getTargetOwner().isEquivalentTo(Db.Tx.class)
                        && call.getTarget().getRawParameterTypes().stream()
                            .limit(1)
                            .anyMatch(first -> first.isEquivalentTo(String.class))))
        .check(product);
  }

  @Test
  public void formatsKnowCoreButNotTheServer() {
    noClasses()
        .that()
        .resideInAPackage("sempre.formats..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("sempre.server..", "org.springframework..", "java.sql..")
        .check(all);
  }

  @Test
  public void theCommandLineIsParsedBeforeAnySpringClassIsLoaded() {
    noClasses()
        .that()
        .resideInAPackage("sempre.server.cli..")
        .and()
        .doNotHaveSimpleName("Launch")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("org.springframework..", "sempre.server.api..", "sempre.server.store..")
        .check(all);
  }

  @Test
  public void sqlStandsInTheStoreAndTheOldJsonLibraryNowhere() {
    noClasses()
        .that()
        .resideInAPackage("sempre.server..")
        .and()
        .resideOutsideOfPackages("sempre.server.store..", "sempre.server.file..")
        .and()
        .haveSimpleNameNotEndingWith("Test")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("java.sql..", "javax.sql..")
        .check(all);
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAPackage("com.fasterxml.jackson.databind..")
        .check(all);
  }

  @Test
  public void useCasesKnowNothingOfTheWebAndSayNothingInWords() {
    noClasses()
        .that()
        .resideInAPackage("sempre.server.app..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "sempre.server.api..",
            "sempre.server.web..",
            "sempre.words..",
            "org.springframework.web..",
            "org.springframework.http..",
            "jakarta.servlet..")
        .check(all);
  }

  @Test
  public void theApiOpensNoTransaction() {
    noClasses()
        .that()
        .resideInAPackage("sempre.server.api..")
        .should()
        .dependOnClassesThat()
        .belongToAnyOf(Db.class)
        .check(product);
  }

  @Test
  public void noTwoPackagesOfTheServerNeedEachOther() {
    slices().matching("sempre.server.(**)").should().beFreeOfCycles().check(product);
  }

  @Test
  public void testMethodsReturnNothingOrTheyAreSkippedSilently() {
    methods().that().areAnnotatedWith(Test.class).should().haveRawReturnType(void.class).check(all);
  }

  /** A misnamed test class is never run: every file with tests ends in Test. */
  @Test
  public void everyTestClassIsFoundByItsName() throws IOException {
    for (String module : List.of("core", "formats", "server", "e2e")) {
      Path tests = Path.of("..", module, "src", "test", "java");
      try (var files = Files.walk(tests)) {
        for (Path f : files.filter(p -> p.toString().endsWith(".java")).toList()) {
          if (Files.readString(f).contains("@Test")) {
            assertTrue(f.toString().endsWith("Test.java"), f.toString());
          }
        }
      }
    }
  }
}
