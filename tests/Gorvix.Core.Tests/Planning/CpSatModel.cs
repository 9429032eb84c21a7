using Google.OrTools.Sat;
using Gorvix.Core.Builds;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;

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
        var once = new Dictionary<string, BoolVar>();
        var taken = new List<(int Row, object Way, BoolVar Var)>();
        for (var row = 0; row < objective.Rows; row++)
        {
            var unmet = New("unmet");
            Charge(unmet, objective.Of(row, null));
            var options = new List<BoolVar> { unmet };
            foreach (var way in objective.WaysOf(row))
            {
                var chosen = New("way");
                options.Add(chosen);
                taken.Add((row, way, chosen));
                Charge(chosen, objective.Of(row, way));
                foreach (var use in way is Route route ? objective.Uses(route) : [])
                {
                    (users.TryGetValue(use, out var list) ? list : users[use] = []).Add(chosen);
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
            }
            _model.AddExactlyOne(options);
        }
        foreach (var list in users.Values)
        {
            _model.AddAtMostOne(list);
        }

        // What single users do not tell: bridges, jobs of a net, halves that must agree.
        foreach (var (i, (row, way, chosen)) in taken.Index())
        {
            foreach (var other in taken.Take(i).Where(o => o.Row != row && objective.Clash(way, o.Way)))
            {
                _model.AddAtMostOne([chosen, other.Var]);
            }
        }
    }

    /// <summary>What the best plan costs, proved by the solver.</summary>
    /// <exception cref="InvalidOperationException">The solver did not prove an optimum.</exception>
    public static PlanCost BestCost(
        ResolvedBuild build,
        IReadOnlyList<LinkWays> ways,
        IReadOnlyList<FeedWays>? feeds = null
    ) => new CpSatModel(new PlainObjective(build, ways, feeds)).Solve();

    /// <summary>The question, ready to be solved once.</summary>
    public static CpSatModel Of(ResolvedBuild build, IReadOnlyList<LinkWays> ways) => new(new(build, ways));

    private BoolVar New(string name)
    {
        var made = _model.NewBoolVar(name);
        _all.Add(made);
        return made;
    }

    private void Charge(BoolVar when, IEnumerable<(CostTerm Term, int Amount)> costs)
    {
        foreach (var (term, amount) in costs.Where(c => c.Amount > 0))
        {
            _amounts[term].Add((when, amount));
        }
    }

    /// <summary>Solves term after term, each from the solution of the one before.</summary>
    public PlanCost Solve()
    {
        var cost = PlanCost.Zero;
        foreach (var (term, parts) in _amounts.OrderBy(a => a.Key).Where(a => a.Value.Count > 0))
        {
            var sum = LinearExpr.WeightedSum(parts.Select(p => p.Var), parts.Select(p => p.Amount));
            _model.Minimize(sum);
            var solver = new CpSolver { StringParameters = "num_workers:1 random_seed:1" };
            var status = solver.Solve(_model);
            if (status != CpSolverStatus.Optimal)
            {
                throw new InvalidOperationException($"CP-SAT proved no optimum: {status}. {_model.Validate()}");
            }
            var least = (int)Math.Round(solver.ObjectiveValue);
            _model.Add(sum == least);
            _model.ClearHints();
            foreach (var var in _all)
            {
                _model.AddHint(var, solver.Value(var) != 0);
            }
            cost += PlanCost.Of(term, least);
        }
        return cost;
    }
}
