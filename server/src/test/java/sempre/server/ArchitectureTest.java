package sempre.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.testng.Assert.assertTrue;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethodCall;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption.DoNotIncludeTests;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import sempre.server.store.Db;

/** Dependencies point one way, and core knows nothing of the web, of SQL or of Spring. */
public class ArchitectureTest {
  private final JavaClasses all = new ClassFileImporter().importPackages("sempre");
  private final JavaClasses product =
      new ClassFileImporter()
          .withImportOption(new DoNotIncludeTests())
          .importPackages("sempre.server");

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

  /** Each package of the core and what of the core it may use, as its package-info says. */
  @DataProvider
  public Object[][] uses() {
    return new Object[][] {
      {"pitch", ""},
      {"acoustics", "pitch"},
      {"instrument", "pitch acoustics"},
      {"motion", "acoustics instrument pitch"},
      {"score", "instrument pitch"},
      {"search", ""},
      {"planning", "instrument motion pitch score search"},
      {"learning", "instrument pitch planning score"},
      {"practice", "instrument motion pitch planning score"},
      {"agenda", "instrument planning practice score"},
      {"audition", "instrument learning making material pitch planning practice score"},
      {"making", "instrument pitch"},
      {"material", "instrument making pitch planning practice score"},
      {"teaching", "acoustics instrument motion pitch planning practice score search"},
    };
  }

  @Test(dataProvider = "uses")
  public void aPackageOfTheCoreUsesWhatItSaysItDoes(String name, String uses) {
    List<String> allowed =
        new ArrayList<>(List.of("sempre.core", "java..", "org.snakeyaml.engine.."));
    allowed.add("sempre.core." + name);
    for (String other : uses.split(" ")) {
      allowed.add("sempre.core." + other);
    }
    classes()
        .that()
        .resideInAPackage("sempre.core." + name)
        .and()
        .haveSimpleNameNotEndingWith("Test")
        .should()
        .onlyDependOnClassesThat()
        .resideInAnyPackage(allowed.toArray(String[]::new))
        .check(all);
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
