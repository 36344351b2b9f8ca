using System.Reflection;
using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc.Infrastructure;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Fuzz;

/// <summary>One thing a page can be asked for.</summary>
/// <param name="Route">Address, with its holes.</param>
/// <param name="Method">GET or POST.</param>
/// <param name="Name">Handler, or nothing.</param>
/// <param name="Fields">Fields it takes.</param>
/// <param name="File">It takes a file.</param>
internal sealed record Handler(string Route, string Method, string Name, IReadOnlyList<(string Name, Type Type)> Fields, bool File)
{
    /// <summary>Every handler of every page, found by what the pages are: a new one is in it at once.</summary>
    public static async Task<IReadOnlyList<Handler>> AllAsync(IServiceProvider services)
    {
        var pages = services.GetRequiredService<IActionDescriptorCollectionProvider>()
            .ActionDescriptors.Items.OfType<PageActionDescriptor>().ToList();
        var loader = services.GetRequiredService<PageLoader>();
        var all = new List<Handler>();
        foreach (var page in pages)
        {
            var compiled = await loader.LoadAsync(page, EndpointMetadata);
            all.AddRange(compiled.HandlerMethods.Select(h => new Handler(
                "/" + (page.AttributeRouteInfo?.Template ?? ""), h.HttpMethod.ToUpperInvariant(), h.Name ?? "",
                [.. h.Parameters.Select(p => p.ParameterInfo).Where(p => p.ParameterType != typeof(IFormFile)).SelectMany(FieldsOf),
                    .. Unbound(compiled.ModelTypeInfo!, h.MethodInfo)],
                h.Parameters.Any(p => p.ParameterInfo.ParameterType == typeof(IFormFile)))));
        }

        return [.. all.OrderBy(h => h.Route, StringComparer.Ordinal).ThenBy(h => h.Method, StringComparer.Ordinal)
            .ThenBy(h => h.Name, StringComparer.Ordinal)];
    }

    private static Microsoft.AspNetCore.Http.EndpointMetadataCollection EndpointMetadata =>
        Microsoft.AspNetCore.Http.EndpointMetadataCollection.Empty;

    private static IEnumerable<(string, Type)> FieldsOf(ParameterInfo parameter) =>
        parameter.ParameterType.IsClass && parameter.ParameterType != typeof(string) && !parameter.ParameterType.IsArray
            ? parameter.ParameterType.GetProperties().Where(p => p.CanWrite).Select(p => (p.Name, p.PropertyType))
            : [(parameter.Name!, parameter.ParameterType)];

    // Two pages read their form by hand.
    private static IEnumerable<(string, Type)> Unbound(TypeInfo page, MethodInfo handler) => (page.Name, handler.Name) switch
    {
        ("NewModel", "OnPostAsync") =>
            ((string[])["name", "storeys", "foundation", "ceiling", "floorRun", "floorSpacing", "roofRun", "roofSpacing", "attic",
                "service", "spaces", "first", "use", "width", "depth", "panelWall", "edition", "outlets", "by", "noAfci", "noCondenser",
                "rules"]).Select(n => (n, typeof(string))),
        ("IndexModel", "OnPostWhoAsync") => [("who", typeof(string))],
        _ => [],
    };
}

/// <summary>Makes what a field may hold, by its name, from the job as it stands.</summary>
internal sealed class Fields(Plan plan, Random random)
{
    private Job Job => plan.Job;

    public string For(string name, Type type)
    {
        var kind = Nullable.GetUnderlyingType(type) ?? type;
        return name.ToLowerInvariant() switch
        {
            "box" or "id" or "boxes" or "lamps" => Any(Job.Boxes.Select(b => b.Id.Value)),
            "room" or "with" or "beside" => Any(Job.Rooms.Select(r => r.Id.Value)),
            "wall" => random.Next(3) == 0 ? $"{random.Next(1, 6)}" : $"{Any(Job.Rooms.Select(r => r.Id.Value))}.{random.Next(1, 6)}",
            "opening" => Any(Job.Rooms.SelectMany(r => r.Openings).Select(o => o.Id.Value)),
            "fixture" or "obstruction" =>
                $"{Any(Job.Rooms.Select(r => r.Id.Value).Concat(Job.Levels.Select(l => l.Id.Value)))}.{random.Next(1, 4)}",
            "level" or "to" => Any(Job.Levels.Select(l => l.Id.Value).Concat(Job.Rooms.Select(r => r.Id.Value))),
            "structure" => Any(Job.Structures.Select(s => s.Id.Value)),
            "circuit" or "into" => Any(plan.Circuits.Select(c => c.Circuit.Key.Value)),
            "panel" or "fedfrom" or "transferpanel" => Any(Job.Panels.Select(p => p.Id.Value)),
            "run" => Any(plan.Circuits.SelectMany(c => c.Runs).Select(r => r.Id.ToString())),
            "trench" => Any(Job.Trenches.Select(t => t.Id.Value)),
            "pipe" => Any(Job.Pipes.Select(p => p.Id.Value).Append("P1").Append("P2")),
            "space" or "spaces" => Any(["1", "2", "14", "14a", "14b", "20-24", "83", "30"]),
            "kind" => Any(NewBox.List.Select(k => k.Value).Concat(Names<OpeningKind>()).Concat(Names<FixtureKind>())
                .Concat(Names<ObstructionKind>()).Concat(Names<WantKind>()).Concat(Names<ConduitKind>()).Concat(Names<PipeStopKind>())),
            "use" or "firstuse" => Any(Names<RoomUse>().Concat(Names<TakenUse>())),
            "framing" => Any([.. Names<WallFraming>(), "usual"]),
            "gauge" => Any(["14", "12", "10", "8", "6", "2", "1/0"]),
            "rating" or "mca" or "mocp" or "service" or "bus" or "inlet" => Any(["15", "20", "30", "50 A", "100", "200"]),
            "load" or "future" => Any(["60", "1200 VA", "4.5 kW", "20 A"]),
            "volts" => Any(["120", "240"]),
            "edition" => Any(["2017", "2020", "2023"]),
            "appliance" => Any(Names<Appliance>()),
            "subject" => Any([$"box:{Any(Job.Boxes.Select(b => b.Id.Value))}", $"room:{Any(Job.Rooms.Select(r => r.Id.Value))}", "job:x"]),
            "on" => Any([.. Names<CentreOn>(), "Window.1", "Fixture.1", "Door.1"]),
            "place" or "fix" or "tag" or "number" or "corner" or "fixed" => $"{random.Next(0, 4)}",
            "storeys" or "panelwall" => $"{random.Next(1, 4)}",
            "poles" => $"{random.Next(1, 3)}",
            "foundation" => Any(Names<Underfloor>()),
            "floorrun" or "roofrun" or "run2" => Any(Names<JoistRun>()),
            "name" or "first" or "what" or "who" or "by" or "keptfor" or "description" or "text" or "family" =>
                Any(["Den", "Long Room, west", "Bedroom 9", "Range", "x"]),
            "anyway" or "individual" or "outside" or "swingsout" or "mirrored" or "new" or "follow" or "cord" or "motor" or "continuous"
                or "neutral" => Any(["true", "false"]),
            "paper" => Any(["Letter", "A4", "Door"]),
            "seconds" => "5",
            "loads" => Any(Names<Circuitum.Core.Wiring.Portable>()),
            "does" => Any(["move", "merge", "split"]),
            "from" => "1",
            "hinge" => Any(Names<Hinge>()),
            _ when kind == typeof(bool) => Any(["true", "false"]),
            _ when kind == typeof(int) => $"{random.Next(0, 40)}",
            _ when kind.IsEnum => Any(Enum.GetNames(kind)),
            _ => Any(["12-6", "2-0", "4' 6\"", "16\"", "0", "8-0", "30", "48\"", "1-4", "15", "80 %", "30 °C"]),
        };
    }

    public string Any(IEnumerable<string> choices)
    {
        var all = choices.ToList();
        return all.Count == 0 ? "nothing" : all[random.Next(all.Count)];
    }

    private static IEnumerable<string> Names<T>() where T : struct, Enum => Enum.GetNames<T>();
}
