using System.Text.Json.Serialization;
using Juxtopsis.Contracts;
using Juxtopsis.Server.Bags;
using Juxtopsis.Server.Bookings;
using Juxtopsis.Server.Comparisons;
using Juxtopsis.Server.Crews;
using Juxtopsis.Server.Demo;
using Juxtopsis.Server.Edge;
using Juxtopsis.Server.Evaluating;
using Juxtopsis.Server.Fitting;
using Juxtopsis.Server.Health;
using Juxtopsis.Server.Log;
using Juxtopsis.Server.Measuring;
using Juxtopsis.Server.Pages;
using Juxtopsis.Server.Photos;
using Juxtopsis.Server.Problems;
using Juxtopsis.Server.Productions;
using Juxtopsis.Server.Shelf;
using Juxtopsis.Server.Sheets;
using Juxtopsis.Server.Startup;
using Scalar.AspNetCore;

const long MaxBodyBytes = 256 * 1024;

var builder = WebApplication.CreateBuilder(args);
builder.WebHost.ConfigureKestrel(kestrel =>
{
    kestrel.AddServerHeader = false;
    kestrel.Limits.MaxRequestBodySize = MaxBodyBytes;
});
builder.Services.ConfigureHttpJsonOptions(json =>
{
    json.SerializerOptions.TypeInfoResolverChain.Insert(0, WireJson.Default);
    json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
    foreach (var converter in WireJson.Default.Options.Converters)
    {
        json.SerializerOptions.Converters.Add(converter);
    }
});
builder.Services.AddExceptionHandler<ExceptionAsProblem>().AddProblemDetails();
builder.Services.AddOpenApi("v1", OpenApiText.Describe);
builder.AddDatabase();
builder.Services.AddHealth();
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddShelf();
builder.Services.AddScoped<BookingStore>();
builder.Services.AddLimits();

var app = builder.Build();
app.UseSecurityHeaders();
app.UseExceptionHandler();
app.UseOriginGate();
app.UseProblemsForStatuses();
app.UseRouting();
app.UseRateLimiter();
app.UseRequestTimeouts();
app.MapOpenApi("/openapi/{documentName}.json");
app.MapScalarApiReference("/api/docs", page => page.WithTitle("Juxtopsis API").DisableDefaultFonts().DisableAgent());
app.MapHealth();
app.MapCore();
app.MapComparisons();
app.MapProductions();
app.MapFitting();
app.MapPhotos();
app.MapBagFiles();
app.MapBookings();
app.MapUnits();
app.MapUnitModels();
app.MapUnitTests();
app.MapReadingFiles();
app.MapTakes();
app.MapTakeFiles();
app.MapFrozenSheets();
app.MapSharedSheets();
app.MapCrew();
app.MapTerms();
app.MapDemo();
app.MapShelf();
app.UsePages(builder.Configuration["Juxtopsis:Pages"]);

await app.RunAsync();
