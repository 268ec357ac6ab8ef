namespace Juxtopsis.Server.Shelf;

internal static class ShelfServices
{
    public static void AddShelf(this IServiceCollection services)
    {
        services.AddSingleton<ShelfCache>();
        services.AddScoped<ShelfStore>();
    }
}
