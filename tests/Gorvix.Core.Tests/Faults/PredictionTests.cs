using CsCheck;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Core.Tests.Faults;

/// <summary>What the search foretells against the simulated bench and against a plain reader that knows neither.</summary>
public class PredictionTests
{
    [Fact]
    public void The_search_foretells_what_the_simulated_bench_then_shows()
    {
        var compared = 0;
        foreach (var build in Demo.Builds)
        {
            var wired = new FitReader(Resolved(build, Demo.Library)).Wired;
            var volts = build.InputVolts ?? (build.Pack?.Cells ?? 0) * 4.1;
            var table = FaultTable.Of(wired, volts);
            var sheet = BenchReader.Of(wired, SettingsReader.Of(wired, new DateOnly(2026, 1, 1)), volts);
            foreach (var fault in PlantedFaults.Of(wired).Where((_, i) => i % 5 == 0))
            {
                var bench = new SimulatedBench(wired, wired.With(fault.Edit), volts, 7);
                var craft = table.Craft([fault]);
                foreach (var test in table.Tests.Where(t => t.Check is not null && t.Unit is null))
                {
                    var check = sheet.Checks.First(c => c.Id == test.Check);
                    var shown = bench.Read(check);
                    var foretold = craft.Shows(table.IndexOf(test.Id)!.Value);
                    // Where the bench says yes the sound outcome was foretold, where it says no another.
                    if (test.Kind == TestKind.Look && shown.Answer is Answer.Yes or Answer.No)
                    {
                        Assert.True(
                            (foretold == test.Outcomes.First(o => o.IsSound).Id) == (shown.Answer == Answer.Yes),
                            $"{build.Name}, {fault.Words}: {test.Title} foretold {foretold}, shown {shown}"
                        );
                        compared++;
                    }
                }
            }
        }
        Assert.True(compared > 3000, $"{compared}");
    }

    [Fact]
    public void A_plain_reader_of_pads_and_leads_foretells_the_same_signs()
    {
        var (compared, off) = (0, 0);
        foreach (var build in Demo.Builds)
        {
            var wired = new FitReader(Resolved(build, Demo.Library)).Wired;
            Compare(wired, build.Name, ref compared, ref off);
        }
        Assert.True(compared > 6000 && off > 600, $"{compared} compared, {off} off");
    }

    [Fact]
    public void On_builds_made_up_by_the_property_engine_as_well()
    {
        var (compared, off) = (0, 0);
        Planning
            .Generated.Builds(ports: 6, links: 4)
            .Holds(
                build =>
                {
                    var wired = new FitReader(build).Wired;
                    if (wired.Ports.Count > 0)
                    {
                        Compare(wired, "made up", ref compared, ref off);
                    }
                },
                of: 60,
                alone: true
            );
        Assert.True(compared > 300 && off > 30, $"{compared} compared, {off} off");
    }

    private static void Compare(WiredBuild wired, string name, ref int compared, ref int off)
    {
        var volts = wired.Build.Build.InputVolts ?? (wired.Build.Build.Pack?.Cells ?? 0) * 4.1;
        var meant = new Meant(wired, volts);
        var live = meant.Power.Proving ?? meant.Power.Free ?? meant.Power.Usb;
        var links = wired
            .Build.Links.Where(l => wired.Ports.Any(p => p.Link == l.Id) || wired.Rides.Any(r => r.Link == l.Id))
            // What is not fed as it is meant is nothing to compare.
            .Where(l =>
                wired
                    .Leads.Where(x => x.Device == l.Want.Device && PlantedFaults.IsFed(x))
                    .All(x =>
                        meant
                            .Sheet(live)
                            .Leads.Any(r =>
                                r.Device == x.Device
                                && r.Lead == x.Lead.Id
                                && r.State is LeadFeed.Good or LeadFeed.Tight
                            )
                    )
            )
            .Select(l => l.Id)
            .ToList();
        foreach (var fault in PlantedFaults.Of(wired))
        {
            var real = wired.With(fault.Edit);
            // A setting of the board is wanted by some link or by none: that is the sheet's to say.
            if (real.Defects.Settings.Count > 0)
            {
                continue;
            }
            var (truth, plain) = (new BenchTruth(meant, real), new PlainSigns(wired, real));
            // What no state gives is nothing that pads and leads tell.
            if (RailReader.Read(real, meant.Of(live)).Problem is not null)
            {
                continue;
            }
            foreach (var link in links)
            {
                foreach (var needs in new[] { SignNeeds.Hears, SignNeeds.Says })
                {
                    if (plain.Shows(link, needs == SignNeeds.Hears) is not { } shows)
                    {
                        continue;
                    }
                    Assert.True(
                        shows == (truth.Shows(link, needs, live) == Seen.Yes),
                        $"{name}, {fault.Words}: {link} {needs} is {truth.Shows(link, needs, live)}, plainly {shows}"
                    );
                    compared++;
                    off += shows ? 0 : 1;
                }
            }
        }
    }
}
