using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Gorvix.Storage.Migrations
{
    /// <inheritdoc />
    public partial class BoardPhotos : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "BoardPhotos",
                columns: table => new
                {
                    Board = table.Column<string>(type: "TEXT", nullable: false),
                    Side = table.Column<string>(type: "TEXT", nullable: false),
                    Print = table.Column<string>(type: "TEXT", nullable: false),
                    Width = table.Column<int>(type: "INTEGER", nullable: false),
                    Height = table.Column<int>(type: "INTEGER", nullable: false),
                    FaceBytes = table.Column<int>(type: "INTEGER", nullable: false),
                    Marks = table.Column<string>(type: "TEXT", nullable: false),
                    Picture = table.Column<byte[]>(type: "BLOB", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_BoardPhotos", x => new { x.Board, x.Side });
                }
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "BoardPhotos");
        }
    }
}
