using System.Diagnostics;
using System.Globalization;
using Google.OrTools.Sat;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>The planning question put to a general solver (source: Google OR-Tools CP-SAT): one solve for each term, the weightiest first.</summary>
internal sealed class CpSatModel
{
    private readonly CpModel _model = new();
    private readonly Dictionary<CostTerm, List<(BoolVar Var, int Amount)>> _amounts = Enum.GetValues<CostTerm>()
        .ToDictionary(t => t, _ => new List<(BoolVar, int)>());

    private readonly List<BoolVar> _all = [];

    private CpSatModel(PlainObjective objective)
    {
        var users = new Dictionary<string, List<BoolVar>>();
        var states = new Dictionary<string, Dictionary<string, BoolVar>>();
        var once = new Dictionary<string, BoolVar>();
        var halves = new List<(Route Route, BoolVar Var)>();
        var drawn = new List<(BoolVar Var, (string Of, int Typical, int Peak, int Limit) Draw)>();
        var soldered = objective.Soldered().Select(lets => (Lets: lets, Stays: new List<BoolVar>())).ToList();
        for (var row = 0; row < objective.Rows; row++)
        {
            var options = new List<BoolVar>();
            foreach (var way in objective.WaysOf(row))
            {
                var chosen = New("way");
                options.Add(chosen);
                Charge(chosen, objective.Of(row, way));
                if (way is null)
                {
                    continue;
                }
                foreach (var (lets, stays) in soldered.Where(s => s.Lets(way)))
                {
                    stays.Add(chosen);
                }
                drawn.AddRange(objective.Draws(way).Select(d => (chosen, d)));
                foreach (var use in objective.Uses(way))
                {
                    (users.TryGetValue(use, out var list) ? list : users[use] = []).Add(chosen);
                }
                foreach (var (group, state) in objective.StatesOf(way))
                {
                    var known = states.TryGetValue(group, out var all) ? all : states[group] = [];
                    if (!known.TryGetValue(state, out var holds))
                    {
                        known.Add(state, holds = New(group));
                    }
                    _model.AddImplication(chosen, holds);
                }
                foreach (var (key, term, amount) in objective.Once(way))
                {
                    if (!once.TryGetValue(key, out var paid))
                    {
                        once.Add(key, paid = New(key));
                        Charge(paid, [(term, amount)]);
                    }
                    _model.AddImplication(chosen, paid);
                }
                if (way is Route route)
                {
                    foreach (var other in halves.Where(h => objective.Halves(h.Route, route)))
                    {
                        _model.AddAtMostOne([chosen, other.Var]);
                    }
                    halves.Add((route, chosen));
                }
            }
            _model.AddExactlyOne(options);
        }
        foreach (var (_, stays) in soldered)
        {
            var comesOff = New("Soldered but not in the plan");
            _model.AddBoolOr([.. stays, comesOff]);
            Charge(comesOff, [(CostTerm.HandWork, PlainObjective.UndoMinutes)]);
        }
        foreach (var of in drawn.GroupBy(d => d.Draw.Of))
        {
            var (limit, strained) = (of.First().Draw.Limit, New($"strained {of.Key}"));
            var most = of.Sum(d => d.Draw.Peak);
            _model.Add(LinearExpr.WeightedSum(of.Select(d => d.Var), of.Select(d => d.Draw.Typical)) <= limit);
            _model.Add(
                LinearExpr.WeightedSum(of.Select(d => d.Var), of.Select(d => d.Draw.Peak)) - (most * strained) <= limit
            );
            Charge(strained, [(CostTerm.Hazards, 1)]);
        }
        foreach (var list in users.Values)
        {
            _model.AddAtMostOne(list);
        }
        foreach (var group in states.Values.Where(g => g.Count > 1))
        {
            _model.AddAtMostOne(group.Values);
        }
    }

    /// <summary>What the best plan costs, proved by the solver.</summary>
    /// <exception cref="InvalidOperationException">The solver did not prove an optimum.</exception>
    public static PlanCost BestCost(BuildWays ways) => Of(ways).Solve()!.Value;

    /// <summary>The question, ready to be solved once.</summary>
    public static CpSatModel Of(BuildWays ways) => new(new PlainObjective(ways));

    private BoolVar New(string name)
    {
        var made = _model.NewBoolVar(name);
        _all.Add(made);
        return made;
    }

    private void Charge(BoolVar when, IEnumerable<(CostTerm Term, int Amount)> costs)
    {
        foreach (var (term, amount) in costs.Where(c => c.Amount != 0))
        {
            _amounts[term].Add((when, amount));
        }
    }

    private const double Hour = 3600;

    // Terms are weighed into one sum as long as it stays this small: exact in the solver's whole numbers, and not so steep that it gropes.
    private const long MostWeight = 1L << 36;

    /// <summary>
    /// Solves the weightiest terms, then the next ones from that solution, and so on; null when there is none at all, or when the time is up
    /// before that. Terms that are solved together are one sum, in which one of a term weighs more than all of those after it can.
    /// </summary>
    /// <param name="seconds">The time for all terms together.</param>
    public PlanCost? Solve(double seconds = Hour)
    {
        var cost = PlanCost.Zero;
        var watch = Stopwatch.StartNew();
        foreach (var terms in Together())
        {
            var sum = LinearExpr.WeightedSum(
                terms.SelectMany(t => t.Parts.Select(p => p.Var)),
                terms.SelectMany(t => t.Parts.Select(p => p.Amount * t.Weight))
            );
            _model.Minimize(sum);
            var left = Math.Max(0.001, seconds - watch.Elapsed.TotalSeconds).ToString(CultureInfo.InvariantCulture);
            var solver = new CpSolver { StringParameters = $"num_workers:1 random_seed:1 max_time_in_seconds:{left}" };
            var status = solver.Solve(_model);
            if (
                status == CpSolverStatus.Infeasible
                || status is CpSolverStatus.Feasible or CpSolverStatus.Unknown && seconds < Hour
            )
            {
                return null;
            }
            if (status != CpSolverStatus.Optimal)
            {
                throw new InvalidOperationException($"CP-SAT proved no optimum: {status}. {_model.Validate()}");
            }
            _model.Add(sum == (long)Math.Round(solver.ObjectiveValue));
            _model.ClearHints();
            foreach (var var in _all)
            {
                _model.AddHint(var, solver.Value(var) != 0);
            }
            cost = terms.Aggregate(
                cost,
                (c, t) => c + PlanCost.Of(t.Term, t.Parts.Sum(p => solver.Value(p.Var) != 0 ? p.Amount : 0))
            );
        }
        return cost;
    }

    // The terms in their order, those that are solved in one go together, each with what one of it weighs there.
    private IEnumerable<List<(CostTerm Term, List<(BoolVar Var, int Amount)> Parts, long Weight)>> Together()
    {
        var group = new List<(CostTerm Term, List<(BoolVar Var, int Amount)> Parts, long Most)>();
        foreach (var (term, parts) in _amounts.OrderBy(a => a.Key).Where(a => a.Value.Count > 0))
        {
            var most = 1L + parts.Sum(p => (long)Math.Abs(p.Amount));
            if (group.Count > 0 && group.Aggregate((Int128)most, (all, g) => all * g.Most) > MostWeight)
            {
                yield return Weighed();
                group.Clear();
            }
            group.Add((term, parts, most));
        }
        if (group.Count > 0)
        {
            yield return Weighed();
        }
        List<(CostTerm, List<(BoolVar, int)>, long)> Weighed() =>
            [
                .. group.Select(
                    (g, i) => (g.Term, g.Parts, group.Skip(i + 1).Aggregate(1L, (weight, lower) => weight * lower.Most))
                ),
            ];
    }
}
