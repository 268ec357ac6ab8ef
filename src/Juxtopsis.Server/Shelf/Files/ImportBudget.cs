namespace Juxtopsis.Server.Shelf.Files;

/// <summary>What one import may take: so many rows in all, of whatever format, and no longer than whoever asked waits for it.</summary>
/// <param name="asker">Ends when whoever asked has left.</param>
internal sealed class ImportBudget(CancellationToken asker)
{
    /// <summary>The most rows of one import.</summary>
    public const int MostRows = 100_000;

    private int left = MostRows;

    /// <summary>Takes one row.</summary>
    /// <exception cref="ImportBudgetException">There have been too many.</exception>
    /// <exception cref="OperationCanceledException">Whoever asked has left.</exception>
    public void Take()
    {
        asker.ThrowIfCancellationRequested();
        if (--left < 0)
        {
            throw new ImportBudgetException();
        }
    }
}

/// <summary>An import has more rows than one may have.</summary>
internal sealed class ImportBudgetException : Exception;
