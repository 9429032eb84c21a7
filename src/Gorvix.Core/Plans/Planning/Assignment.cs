namespace Gorvix.Core.Plans.Planning;

/// <summary>
/// The cheapest way to give each row a column of its own or to leave it alone, with the dual prices that prove it.
/// </summary>
/// <remarks>
/// The Hungarian method with shortest augmenting paths (Kuhn 1955, Munkres 1957; the form with potentials), on
/// 128-bit numbers so that a whole objective is one number. Besides the shared columns every row has one private
/// column, "alone", so there is always an answer. Time rows² · (rows + columns).
/// </remarks>
internal sealed class Assignment
{
    /// <summary>The price of a place that a row cannot take; above every real price and far from overflow.</summary>
    public static readonly Int128 Never = Int128.One << 122;

    private readonly int _columns;
    private readonly int[] _columnOf;
    private readonly Int128[] _rowPrice;
    private readonly Int128[] _columnPrice;

    /// <summary>Solves one instance.</summary>
    /// <param name="rows">How many rows.</param>
    /// <param name="columns">How many shared columns.</param>
    /// <param name="costs">Row by row, <see cref="Never"/> where a row cannot take a column.</param>
    /// <param name="alone">What each row costs alone.</param>
    public Assignment(int rows, int columns, ReadOnlySpan<Int128> costs, ReadOnlySpan<Int128> alone)
    {
        _columns = columns;
        var all = columns + rows;

        // Rows and columns count from 1; column 0 is where the row that seeks a place stands.
        _rowPrice = new Int128[rows + 1];
        _columnPrice = new Int128[all + 1];
        var rowOf = new int[all + 1];
        var cameFrom = new int[all + 1];
        var slack = new Int128[all + 1];
        var reached = new bool[all + 1];
        for (var row = 1; row <= rows; row++)
        {
            rowOf[0] = row;
            var column = 0;
            Array.Fill(slack, Never);
            Array.Clear(reached);
            do
            {
                reached[column] = true;
                var here = rowOf[column];
                var least = Never;
                var next = 0;
                var price = _rowPrice[here];
                var line = costs.Slice((here - 1) * columns, columns);
                for (var c = 1; c <= columns; c++)
                {
                    if (reached[c])
                    {
                        continue;
                    }
                    if (line[c - 1] is var cost && cost < Never)
                    {
                        var reduced = cost - price - _columnPrice[c];
                        if (reduced < slack[c])
                        {
                            (slack[c], cameFrom[c]) = (reduced, column);
                        }
                    }
                    if (slack[c] < least)
                    {
                        (least, next) = (slack[c], c);
                    }
                }

                // Of the private columns only those of rows that were reached can be nearer.
                var own = columns + here;
                if (!reached[own] && alone[here - 1] is var lone && lone < Never)
                {
                    var reduced = lone - price - _columnPrice[own];
                    if (reduced < slack[own])
                    {
                        (slack[own], cameFrom[own]) = (reduced, column);
                    }
                }
                for (var c = columns + 1; c <= columns + row; c++)
                {
                    if (!reached[c] && slack[c] < least)
                    {
                        (least, next) = (slack[c], c);
                    }
                }
                for (var c = 0; c <= columns + row; c++)
                {
                    if (reached[c])
                    {
                        _rowPrice[rowOf[c]] += least;
                        _columnPrice[c] -= least;
                    }
                    else if (slack[c] < Never)
                    {
                        slack[c] -= least;
                    }
                }
                column = next;
            } while (rowOf[column] != 0);
            while (column != 0)
            {
                rowOf[column] = rowOf[cameFrom[column]];
                column = cameFrom[column];
            }
        }
        _columnOf = new int[rows];
        for (var c = 1; c <= all; c++)
        {
            if (rowOf[c] != 0)
            {
                _columnOf[rowOf[c] - 1] = c <= columns ? c - 1 : -1;
            }
            Total += rowOf[c] == 0 ? 0 : CostOf(rowOf[c], c, costs, alone);
        }
    }

    /// <summary>The column of a row where the total is least, or -1 for alone.</summary>
    public int ColumnOf(int row) => _columnOf[row];

    /// <summary>The least total.</summary>
    public Int128 Total { get; }

    /// <summary>How much the total grows at least when this row must take this column at this cost.</summary>
    public Int128 Regret(int row, int column, Int128 cost) => cost - _rowPrice[row + 1] - _columnPrice[column + 1];

    /// <summary>How much the total grows at least when this row must stay alone at this cost.</summary>
    public Int128 RegretAlone(int row, Int128 cost) => cost - _rowPrice[row + 1] - _columnPrice[_columns + row + 1];

    private Int128 CostOf(int row, int column, ReadOnlySpan<Int128> costs, ReadOnlySpan<Int128> alone) =>
        column <= _columns ? costs[((row - 1) * _columns) + column - 1]
        : column - _columns == row ? alone[row - 1]
        : Never;
}
