using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Lines;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>A new job in a few answers.</summary>
public sealed class NewModel(Workbench bench, CrewRules rules) : PageModel
{
    /// <summary>What was typed, to be shown again when it cannot be taken.</summary>
    public IReadOnlyDictionary<string, string> Form { get; private set; } = new TypedFields([]);

    /// <summary>Sets of house rules kept from other jobs.</summary>
    public IReadOnlyList<RuleSet> Sets { get; private set; } = [];

    /// <summary>The house as text, line by line as it was typed.</summary>
    public string Text { get; private set; } = "";

    /// <summary>Why no job was started, or null.</summary>
    public string? Problem { get; private set; }

    /// <summary>What was typed, or what is usual.</summary>
    public string Or(string field, string usual) => Form[field] is { Length: > 0 } typed ? typed : usual;

    /// <summary>True for the choice that was made, or the usual one.</summary>
    public bool Is(string field, string value, bool usual) => Form[field] is { Length: > 0 } chosen ? chosen == value : usual;

    /// <summary>Shows the questions.</summary>
    public async Task OnGetAsync() => Sets = await rules.ListAsync();

    /// <summary>Starts the job.</summary>
    public async Task<IActionResult> OnPostAsync()
    {
        Form = new TypedFields(Request.Form.ToDictionary(f => f.Key, f => f.Value.ToString()));
        Sets = await rules.ListAsync();
        try
        {
            var set = Form["rules"].Length > 0 ? await rules.FindAsync(Form["rules"])
                ?? throw new FormatException($"There is no set of house rules “{Form["rules"]}” any more.") : null;
            Text = Request.Form["lines"].ToString();
            var edition = Entry.Edition(Form["edition"]);
            Writing.Turn(CodeBook.For(edition).FeedsBoards ? Measure.Metres : Measure.Feet, edition.Parlance());
            var answers = Answers(set);
            var job = string.IsNullOrWhiteSpace(Text) ? answers.Start() : StartFromText.Start(answers, Text);
            var key = await bench.StartAsync(job, Crew.Of(HttpContext), "Start the job");
            return Redirect($"/job/{key}/house");
        }
        catch (Exception e) when (e is FormatException or ChangeRefusedException)
        {
            Problem = e.Message;
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }
    }

    private NewJob Answers(RuleSet? set) => new()
    {
        Name = Form["name"],
        Storeys = Entry.Count(Form["storeys"]),
        Foundation = Entry.Choice<Underfloor>(Form["foundation"]),
        CeilingHeight = Length.Parse(Form["ceiling"]),
        Floors = new(Entry.Choice<JoistRun>(Form["floorRun"]), Length.Parse(Form["floorSpacing"]), Length.FromInches(9.25m))
        { Kind = Entry.Choice(Form["floorKind"], JoistKind.Sawn) },
        Roof = new(Entry.Choice<JoistRun>(Form["roofRun"]), Length.Parse(Form["roofSpacing"]), Length.FromInches(5.5m))
        { Kind = Entry.Choice(Form["roofKind"], JoistKind.RoofTruss) },
        AtticAmbient = Entry.Celsius(Form["attic"]),
        Service = Entry.Amps(Form["service"]),
        Spaces = Entry.Count(Form["spaces"]),
        FirstRoom = Entry.RoomName(new HashSet<string>(), Form["first"], Entry.Choice<RoomUse>(Form["use"])),
        FirstUse = Entry.Choice<RoomUse>(Form["use"]),
        Width = Length.Parse(Form["width"]),
        Depth = Length.Parse(Form["depth"]),
        PanelWall = Entry.Count(Form["panelWall"]),
        Edition = Entry.Edition(Form["edition"]),
        Amendments = [.. Amendments()],
        Schools = set?.Rules.Schools ?? new(),
        HouseRules = set?.Rules.HouseRules ?? new(),
        Aims = set?.Rules.Aims ?? new(),
        Prices = set?.Rules.Prices ?? new(),
        CrewLines = set?.Rules.CrewLines ?? [],
        Manner = Form["manner"].Length > 0 ? Entry.Choice<DivisionManner>(Form["manner"]) : null,
    };

    private IEnumerable<Amendment> Amendments()
    {
        if (Form["outlets"].Length > 0)
        {
            yield return new(AmendedRule.OutletsPerGeneralCircuit, Entry.Count(Form["outlets"]), Form["by"]);
        }

        if (Form["noAfci"] == "true")
        {
            yield return new(AmendedRule.NoAfciInKitchenAndLaundry, null, Form["by"]);
        }

        if (Form["noCondenser"] == "true")
        {
            yield return new(AmendedRule.NoGfciForCondensers, null, Form["by"]);
        }
    }

    // A field that was not sent is empty, not missing.
    private sealed class TypedFields(Dictionary<string, string> typed)
        : System.Collections.ObjectModel.ReadOnlyDictionary<string, string>(typed), IReadOnlyDictionary<string, string>
    {
        string IReadOnlyDictionary<string, string>.this[string key] => typed.GetValueOrDefault(key, "");
    }
}
