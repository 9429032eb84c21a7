using Google.OrTools.Sat;
using Gorvix.Core.Builds;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>The planning question put to a general solver (source: Google OR-Tools CP-SAT): one solve for each term, the weightiest first.</summary>
internal static class CpSatModel
{
    /// <summary>What the best plan costs, proved by the solver.</summary>
    /// <exception cref="InvalidOperationException">The solver did not prove an optimum.</exception>
    public static PlanCost BestCost(ResolvedBuild build, IReadOnlyList<LinkWays> ways)
    {
        var model = new CpModel();
        var amounts = Enum.GetValues<CostTerm>().ToDictionary(t => t, _ => new List<(BoolVar, int)>());
        void Charge(BoolVar when, IEnumerable<(CostTerm Term, int Amount)> costs)
        {
            foreach (var (term, amount) in costs.Where(c => c.Amount > 0))
            {
                amounts[term].Add((when, amount));
            }
        }

        var users = new Dictionary<string, List<BoolVar>>();
        var bridges = new Dictionary<string, BoolVar[]>();
        foreach (var bridge in build.Board.Bridges)
        {
            bridges[bridge.Id] = [.. bridge.Positions.Select(p => model.NewBoolVar($"{bridge.Id} {p}"))];
            model.AddExactlyOne(bridges[bridge.Id]);
            foreach (var (i, position) in bridge.Positions.Index())
            {
                Charge(bridges[bridge.Id][i], [(CostTerm.HandWork, position == bridge.Default ? 0 : 4)]);
            }
        }
        foreach (var way in ways)
        {
            var unmet = model.NewBoolVar("unmet");
            Charge(unmet, PlainObjective.Unmet(build, way));
            var options = new List<BoolVar> { unmet };
            foreach (var route in way.Routes)
            {
                var taken = model.NewBoolVar("route");
                options.Add(taken);
                Charge(taken, PlainObjective.Of(build, way, route));
                foreach (var use in PlainObjective.Uses(route))
                {
                    (users.TryGetValue(use, out var list) ? list : users[use] = []).Add(taken);
                }
                foreach (var contact in route.Bridges)
                {
                    var positions = build.Board.Bridges.First(b => b.Id == contact.Bridge).Positions;
                    model.AddImplication(taken, bridges[contact.Bridge][positions.ToList().IndexOf(contact.Position)]);
                }
            }
            model.AddExactlyOne(options);
        }
        foreach (var list in users.Values)
        {
            model.AddAtMostOne(list);
        }
        return Solve(model, amounts);
    }

    private static PlanCost Solve(CpModel model, Dictionary<CostTerm, List<(BoolVar Var, int Amount)>> amounts)
    {
        var cost = PlanCost.Zero;
        foreach (var (term, parts) in amounts.OrderBy(a => a.Key).Where(a => a.Value.Count > 0))
        {
            var sum = LinearExpr.WeightedSum(parts.Select(p => p.Var), parts.Select(p => p.Amount));
            model.Minimize(sum);
            var solver = new CpSolver { StringParameters = "num_workers:1 random_seed:1" };
            var status = solver.Solve(model);
            if (status != CpSolverStatus.Optimal)
            {
                throw new InvalidOperationException($"CP-SAT proved no optimum: {status}. {model.Validate()}");
            }
            var least = (int)Math.Round(solver.ObjectiveValue);
            model.Add(sum == least);
            cost += PlanCost.Of(term, least);
        }
        return cost;
    }
}
