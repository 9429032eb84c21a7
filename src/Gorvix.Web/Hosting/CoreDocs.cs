using Gorvix.Core.Files.Formats;

namespace Gorvix.Web.Hosting;

/// <summary>The core's documentation as it lies beside the program.</summary>
public static class CoreDocs
{
    /// <summary>What the members of documents mean; what is not there says nothing.</summary>
    public static MemberDocs Beside()
    {
        var files = Directory.GetFiles(AppContext.BaseDirectory, "Gorvix.Core.*.xml").Select(File.OpenText).ToList();
        try
        {
            return MemberDocs.Read(files);
        }
        finally
        {
            files.ForEach(f => f.Dispose());
        }
    }
}
