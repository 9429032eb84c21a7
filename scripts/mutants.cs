#:package Mono.Cecil
#:property TreatWarningsAsErrors=false
#:property EnforceCodeStyleInBuild=false
#:property GenerateDocumentationFile=false
#:property PublishAot=false
// Asks the tests about each change that dotnet-stryker built into the core: one process a change, two beside each other. Called by ./mutate.
// mutants.cs PROJECT LOG EVERY FILE CLASS,…: FILE as "Plans/Routing/Bay.cs"; each EVERYth change of it is asked.
using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using Mono.Cecil;
using Mono.Cecil.Cil;

var (project, log, every) = (args[0], args[1], int.Parse(args[2], CultureInfo.InvariantCulture));
var file = args[3];
var asked = args[4].Split(',').SelectMany(c => new[] { "-class", $"*.{c}" }).ToList();
var tests = Path.Combine(project, "tests/Gorvix.Core.Tests/bin/Release/net10.0");

// What each change is, from the log of the one who made it.
var said = Regex
    .Matches(File.ReadAllText(log), "Mutant (\\d+) created \"(.*?)\" -> \"(.*?)\" using", RegexOptions.Singleline)
    .ToDictionary(
        m => int.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture),
        m => $"{Short(m.Groups[2].Value)}  ->  {Short(m.Groups[3].Value)}"
    );

// Which are built in, by the type that holds them: what could not be compiled was taken out again.
using var core = AssemblyDefinition.ReadAssembly(Path.Combine(tests, $"Gorvix.Core.{file.Split('/')[0]}.dll"));
var built = new Dictionary<string, SortedSet<int>>();
foreach (var type in core.MainModule.GetTypes())
{
    var outer = type;
    while (outer.DeclaringType is { } holder)
    {
        outer = holder;
    }
    foreach (var line in type.Methods.Where(m => m.HasBody).SelectMany(m => m.Body.Instructions))
    {
        if (line.Operand is MethodReference { Name: "IsActive" } && Number(line.Previous) is { } id)
        {
            (built.TryGetValue(Plain(outer.FullName), out var held) ? held : built[Plain(outer.FullName)] = []).Add(id);
        }
    }
}

// What the tests say without a change.
var plain = new StringBuilder();
var watch = Stopwatch.StartNew();
if (
    !Passes(null, TimeSpan.FromMinutes(10))
    || !plain.ToString().Contains("Total: ", StringComparison.Ordinal)
    || plain.ToString().Contains("Total: 0,", StringComparison.Ordinal)
)
{
    Console.Error.WriteLine($"{args[4]}: fails, or holds no test, without a change. Nothing can be said of {file}.");
    return 1;
}
var patience = (watch.Elapsed * 3) + TimeSpan.FromSeconds(5);
var source = File.ReadAllText(Path.Combine(project, "src/Gorvix.Core", file));
var space = Regex.Match(source, @"namespace ([\w.]+);").Groups[1].Value;
var types = Regex
    .Matches(
        source,
        @"^(?:(?:public|internal|sealed|static|abstract|partial|readonly|file) )*(?:record struct|class|record|struct|enum|interface) (\w+)",
        RegexOptions.Multiline
    )
    .Select(m => $"{space}.{m.Groups[1].Value}")
    .Distinct();
var ids = types.SelectMany(t => built.GetValueOrDefault(t, [])).Order().Where((_, i) => i % every == 0).ToList();
var alive = new ConcurrentBag<int>();
Parallel.ForEach(
    ids,
    new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
    id =>
    {
        if (Passes(id, patience))
        {
            alive.Add(id);
        }
    }
);
Console.WriteLine(
    $"{file}: {ids.Count - alive.Count} of {ids.Count} caught ({(ids.Count == 0 ? 100 : 100 * (ids.Count - alive.Count) / ids.Count)} %)"
);
foreach (var id in alive.Order())
{
    Console.WriteLine($"  {id}: {said.GetValueOrDefault(id, "?")}");
}
return 0;

bool Passes(int? change, TimeSpan patience)
{
    var start = new ProcessStartInfo(
        "dotnet",
        [Path.Combine(tests, "Gorvix.Core.Tests.dll"), "-noLogo", "-noColor", "-stopOnFail", .. asked]
    )
    {
        RedirectStandardOutput = true,
        RedirectStandardError = true,
    };
    if (change is { } id)
    {
        start.Environment["STRYKER_MUTANT_ID_CONTROL_VAR"] = "GORVIX_MUTANT";
        start.Environment["GORVIX_MUTANT"] = id.ToString(CultureInfo.InvariantCulture);
    }
    using var process = Process.Start(start)!;
    process.OutputDataReceived += (_, line) =>
    {
        if (change is null)
        {
            plain.AppendLine(line.Data);
        }
    };
    process.ErrorDataReceived += (_, _) => { };
    process.BeginOutputReadLine();
    process.BeginErrorReadLine();
    // A change that makes it endless is caught.
    if (process.WaitForExit(patience))
    {
        return process.ExitCode == 0;
    }
    process.Kill(entireProcessTree: true);
    return false;
}

static string Plain(string name) => name.Split('`')[0];

static string Short(string text) =>
    Regex.Replace(text, @"\s+", " ") is { Length: > 150 } l ? $"{l[..150]} …" : Regex.Replace(text, @"\s+", " ");

static int? Number(Instruction line) =>
    line.OpCode.Code switch
    {
        Code.Ldc_I4 => (int)line.Operand,
        Code.Ldc_I4_S => (sbyte)line.Operand,
        >= Code.Ldc_I4_0 and <= Code.Ldc_I4_8 => line.OpCode.Code - Code.Ldc_I4_0,
        _ => null,
    };
