using System.Runtime.CompilerServices;

[assembly: InternalsVisibleTo("Gorvix.Web.Tests")]
[assembly: InternalsVisibleTo("Gorvix.Browser.Tests")]
[assembly: InternalsVisibleTo("Gorvix.Benchmarks")]
