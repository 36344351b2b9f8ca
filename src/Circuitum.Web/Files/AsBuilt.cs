using System.IO.Compression;
using System.Text;
using Circuitum.Core.Jobs;
using Circuitum.Data;
using Circuitum.Formats;
using Circuitum.Formats.Csv;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Offers;
using Circuitum.Formats.Pdf;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Files;

/// <summary>The as-built book as one archive: what was planned, what was done, what was seen and what was offered, all in open
/// formats.</summary>
public static class AsBuilt
{
    /// <summary>Its name among the files of a job.</summary>
    public const string Name = "as-built.zip";

    /// <summary>Writes it to a file that goes when it is read: whole before the first byte is sent, and not held in memory.</summary>
    /// <param name="job">The job.</param>
    /// <param name="photographs">Where its photographs are.</param>
    /// <param name="offers">Where its estimates and change orders are.</param>
    public static async Task<Stream> WriteAsync(OpenJob job, Photographs photographs, Offers offers)
    {
        var to = Passing.File();
        await using (var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true))
        {
            await FillAsync(zip, job, photographs, offers);
        }

        to.Position = 0;
        return to;
    }

    private static async Task FillAsync(ZipArchive zip, OpenJob job, Photographs photographs, Offers offers)
    {
        await zip.AddAsync("job.circuitum.json", Encoding.UTF8.GetBytes(JobFiles.Write(job.Plan.Job)));
        foreach (var file in PlanFolder.Of(job.Plan))
        {
            await zip.AddAsync($"plan/{file.Name}", file.Write());
        }

        await zip.AddAsync("site/site.csv", Encoding.UTF8.GetBytes(CsvFiles.Site(job.Site)));
        // A photograph is kept once and may be of several places: site.csv says which.
        foreach (var fingerprint in job.Site.Standing.Select(e => e.Photograph).OfType<string>().Distinct())
        {
            if (await photographs.FindAsync(job.Key, fingerprint) is var (type, picture))
            {
                await zip.AddAsync($"site/photographs/{fingerprint}.{type.Split('/')[1].Replace("jpeg", "jpg", StringComparison.Ordinal)}",
                    picture, CompressionLevel.NoCompression);
            }
        }

        foreach (var written in (await offers.OfAsync(job.Key)).OrderBy(o => o.Number))
        {
            var offer = OfferFiles.Read(written.Document);
            var name = $"offers/{written.Number} {OfferPdf.Title(offer)}";
            await zip.AddAsync($"{name}.pdf",
                OfferPdf.Write(offer, written.Number, DateOnly.FromDateTime(written.At.UtcDateTime), written.Who));
            await zip.AddAsync($"{name}.csv", Encoding.UTF8.GetBytes(OfferFiles.Csv(offer)));
        }
    }
}
