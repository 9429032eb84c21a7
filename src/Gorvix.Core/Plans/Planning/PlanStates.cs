using System.Runtime.InteropServices;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>What several rows of a space name or hold: only about that can they fight, and only that is paid once for all.</summary>
internal static class PlanStates
{
    /// <summary>Lays on the price of each choice what only its row holds.</summary>
    public static void Fold(List<PlanDraft> drafts, Dictionary<HoldGroup, List<Hold>> states)
    {
        foreach (var row in drafts)
        {
            for (var i = 0; i < row.Choices.Count; i++)
            {
                var choice = row.Choices[i];
                var own = choice.Claims.Holds.Where(h => !states.ContainsKey(h.Group));
                row.Choices[i] = choice with { Cost = own.Aggregate(choice.Cost, (sum, h) => sum + PriceOf(h)) };
            }
        }
    }

    /// <summary>What it costs that somebody holds a state.</summary>
    public static PlanCost PriceOf(Hold hold) =>
        PlanCost.Of(CostTerm.HandWork, hold.HandWork) + PlanCost.Of(CostTerm.WholePorts, hold.WholePorts);

    /// <summary>The states of each group that several rows hold a state of, where the states can disagree or cost something.</summary>
    public static Dictionary<HoldGroup, List<Hold>> Of(List<List<PlanChoice>> rows)
    {
        var groups = new Dictionary<HoldGroup, (int Row, bool Shared, HashSet<Hold> States)>();
        foreach (var (i, row) in rows.Index())
        {
            foreach (var choice in row)
            {
                foreach (var hold in choice.Claims.Holds)
                {
                    ref var group = ref CollectionsMarshal.GetValueRefOrAddDefault(groups, hold.Group, out var known);
                    group = known ? group with { Shared = group.Shared || group.Row != i } : (i, false, []);
                    group.States.Add(hold);
                }
            }
        }
        var states = new Dictionary<HoldGroup, List<Hold>>();
        foreach (var (key, (_, shared, holds)) in groups)
        {
            if (shared && holds.Any(h => PriceOf(h) != PlanCost.Zero || holds.Any(other => !h.Agrees(other))))
            {
                states.Add(key, [.. holds]);
            }
        }
        return states;
    }

    /// <summary>Each key that more than one row names, with a key that stands for it: the first that the same options name.</summary>
    public static Dictionary<T, T> Contested<T>(List<List<PlanChoice>> rows, Func<PlanChoice, IReadOnlyList<T>> keysOf)
        where T : notnull
    {
        var users = new Dictionary<T, User>();
        var number = 0;
        foreach (var (i, row) in rows.Index())
        {
            foreach (var choice in row)
            {
                foreach (var key in keysOf(choice))
                {
                    ref var user = ref CollectionsMarshal.GetValueRefOrAddDefault(users, key, out _);
                    user ??= new User(i);
                    user.Add(i, number);
                }
                number++;
            }
        }
        var first = new Dictionary<User, T>();
        var contested = new Dictionary<T, T>();
        foreach (var (key, user) in users)
        {
            if (user.IsShared)
            {
                contested.Add(key, first.TryAdd(user, key) ? key : first[user]);
            }
        }
        return contested;
    }

    /// <summary>Who names a key: the rows and, in order, the options. Two are equal when the same options do.</summary>
    private sealed class User(int row) : IEquatable<User>
    {
        private readonly List<int> _options = [];
        private int _hash;

        /// <summary>True when more than one row names it.</summary>
        public bool IsShared { get; private set; }

        public void Add(int from, int option)
        {
            IsShared |= from != row;
            _options.Add(option);
            _hash = HashCode.Combine(_hash, option);
        }

        public bool Equals(User? other) =>
            other is not null && other._hash == _hash && other._options.SequenceEqual(_options);

        public override bool Equals(object? obj) => Equals(obj as User);

        public override int GetHashCode() => _hash;
    }
}
