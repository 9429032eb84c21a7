using DiffPlex;
using DiffPlex.Chunkers;

namespace Gorvix.Core.Work.Log;

/// <summary>What became of a line.</summary>
public enum LineFate
{
    /// <summary>It stands in both.</summary>
    Same,

    /// <summary>It stood before and is gone.</summary>
    Gone,

    /// <summary>It is new.</summary>
    New,
}

/// <summary>A line of one of two texts.</summary>
/// <param name="Fate">What became of it.</param>
/// <param name="Was">Its number before, from 1; null for a new one.</param>
/// <param name="Is">Its number now, from 1; null for one that is gone.</param>
/// <param name="Text">The line.</param>
public sealed record DiffLine(LineFate Fate, int? Was, int? Is, string Text);

/// <summary>Two texts compared line by line (the library DiffPlex: Myers' difference algorithm).</summary>
public static class LineDiff
{
    /// <summary>Every line of both texts, in order; what is gone before what is new.</summary>
    /// <param name="before">The older text.</param>
    /// <param name="after">The newer one.</param>
    public static IReadOnlyList<DiffLine> Of(string before, string after)
    {
        var result = Differ.Instance.CreateDiffs(before, after, false, false, LineChunker.Instance);
        var lines = new List<DiffLine>();
        var (was, now) = (0, 0);
        void Same(int until)
        {
            for (; was < until; was++, now++)
            {
                lines.Add(new DiffLine(LineFate.Same, was + 1, now + 1, result.PiecesOld[was]));
            }
        }
        foreach (var block in result.DiffBlocks)
        {
            Same(block.DeleteStartA);
            for (var i = 0; i < block.DeleteCountA; i++, was++)
            {
                lines.Add(new DiffLine(LineFate.Gone, was + 1, null, result.PiecesOld[was]));
            }
            for (var i = 0; i < block.InsertCountB; i++, now++)
            {
                lines.Add(new DiffLine(LineFate.New, null, now + 1, result.PiecesNew[now]));
            }
        }
        Same(result.PiecesOld.Count);
        return lines;
    }
}
