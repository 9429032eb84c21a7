using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Work.Drills;
using Gorvix.Storage;

namespace Gorvix.Web.Features;

/// <summary>Builds that are practised on, planned once each.</summary>
internal sealed class DrillGrounds(Memo memo, TimeProvider time)
{
    // A plan and the decks of questions, and a table where faults are drilled.
    private const int Weight = 6;

    /// <summary>The build of a hash.</summary>
    /// <param name="hash">The hash.</param>
    /// <param name="file">The build with its parts.</param>
    /// <param name="stop">Tells that nobody waits for it any more.</param>
    /// <exception cref="UnplannableException">It cannot be planned.</exception>
    public Task<DrillGround> Of(string hash, GorvixFile file, CancellationToken stop) =>
        memo.Of(
            new MemoKey(hash, 0, "drills"),
            halt =>
                Workers.Run(
                    () =>
                    {
                        var resolved = ResolvedBuild.Plannable(file.Builds[0], file.Parts());
                        return new DrillGround(resolved, DateOnly.FromDateTime(time.GetLocalNow().LocalDateTime), halt);
                    },
                    new WorkOf(hash),
                    halt
                ),
            stop,
            Weight
        );
}

/// <summary>Brings together what a drill rests on: its build, what was drawn, what was done.</summary>
internal sealed class DrillService(BuildPlans plans, PartStore parts, DrillStore store, DrillGrounds desk)
{
    // Of a row of questions not all are old ones.
    private const int MostDueCards = 5;

    /// <summary>The build of the shelf as it stands.</summary>
    /// <exception cref="UnplannableException">It cannot be planned.</exception>
    public async Task<DrillAbout> About(string build, CancellationToken stop)
    {
        var stored = (await plans.Planned(build, stop)).Stored.Build;
        return DrillStore.About(GorvixFile.Of(stored, await parts.For(stored)), build);
    }

    /// <summary>An order with the cards that are due for somebody.</summary>
    public async Task<DrillOrder> Due(string player, DrillAbout about, DrillOrder order, CancellationToken stop)
    {
        var due = await store.Due(player, order.Kind, DrillStore.DeckOf(order.Kind, about.Deck));
        if (due.Count == 0)
        {
            return order;
        }
        var ground = await desk.Of(about.Source, about.File, stop);
        return await Workers.Run(
            () =>
            {
                var asked = ground.Askable(order.Kind, due, stop);
                var most =
                    order.Kind == DrillKind.Fault ? 1
                    : order.Kind == DrillKind.Place ? order.Level
                    : MostDueCards;
                var with = order with { Cards = [.. asked.Take(most)] };
                // A fault of that kind may show no sign here; then any one will do.
                return ground.Drill(with, stop) is null ? order : with;
            },
            new WorkOf(about.Source),
            stop
        );
    }

    /// <summary>A drill, drawn.</summary>
    /// <exception cref="UnfitException">The build has nothing of what is ordered.</exception>
    public async Task<(IDrill Drill, DrillGround Ground)> Drawn(DrillRow row, CancellationToken stop) =>
        await Drawn(await desk.Of(row.Source, await store.Source(row.Source), stop), DrillStore.OrderOf(row), stop);

    /// <summary>A drill, drawn before it is kept.</summary>
    /// <exception cref="UnfitException">The build has nothing of what is ordered.</exception>
    public async Task<IDrill> Drawn(DrillAbout about, DrillOrder order, CancellationToken stop) =>
        (await Drawn(await desk.Of(about.Source, about.File, stop), order, stop)).Drill;

    private static async Task<(IDrill Drill, DrillGround Ground)> Drawn(
        DrillGround ground,
        DrillOrder order,
        CancellationToken stop
    ) =>
        await Workers.Run(() => ground.Drill(order, stop), stop) is { } drill
            ? (drill, ground)
            : throw new UnfitException(
                order.Cards.Count > 0 ? Sentences.ThisDrillDoesNotMatch : Sentences.ThisBuildHasNothingTo
            );
}
