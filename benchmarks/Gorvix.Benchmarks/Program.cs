using BenchmarkDotNet.Running;
using Gorvix.Benchmarks;
using Gorvix.Browser.Tests;

// Browsers that a run has opened end with it.
using var browsers = new Browsers();

if (args is ["runs"])
{
    PlannerRuns.Run();
}
else if (args is ["limits", var count])
{
    LimitRuns.Run(int.Parse(count, System.Globalization.CultureInfo.InvariantCulture));
}
else if (args is ["limit-file", var seed])
{
    LimitRuns.File(int.Parse(seed, System.Globalization.CultureInfo.InvariantCulture));
}
else if (args is ["load", var seconds])
{
    await LoadRuns.Run(int.Parse(seconds, System.Globalization.CultureInfo.InvariantCulture));
}
else if (args is ["mutations", var files])
{
    await MutationRuns.Run(0, int.Parse(files, System.Globalization.CultureInfo.InvariantCulture));
}
else if (args is ["mutations", var from, var many])
{
    await MutationRuns.Run(
        int.Parse(from, System.Globalization.CultureInfo.InvariantCulture),
        int.Parse(many, System.Globalization.CultureInfo.InvariantCulture)
    );
}
else if (args is ["sweep"])
{
    PlannerRuns.Sweep();
}
else if (args is ["rails"])
{
    RailRuns.Run();
}
else if (args is ["loom"])
{
    LoomRuns.Run();
}
else if (args is ["settings"])
{
    SettingsRuns.Run();
    await ViewRuns.Previews();
}
else if (args is ["bench"])
{
    await BenchRuns.Run();
}
else if (args is ["clicks"])
{
    await ClickRuns.Run();
}
else if (args is ["faults"])
{
    FaultRuns.Run();
}
else if (args is ["pins"])
{
    await PinRuns.Run();
}
else if (args is ["views"])
{
    await ViewRuns.Run();
}
else if (args is ["server"])
{
    await ServerRuns.Run();
}
else
{
    BenchmarkSwitcher.FromAssembly(typeof(FitBenchmarks).Assembly).Run(args.Length > 0 ? args : ["--filter", "*"]);
}
