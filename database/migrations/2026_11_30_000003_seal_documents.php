<?php

declare(strict_types=1);

use Elmstone\Books\Chain\Says;
use Elmstone\Books\Chain\Seal;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Every document gets its digest, chained through its series; what is sealed takes no further row. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('document_digests', function (Blueprint $table): void {
            $table->foreignId('document_id')->primary()->constrained();
            $table->string('kind', 20);
            $table->unsignedBigInteger('number');
            $table
                ->char('before', 64)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->comment('the digest of the document before it in its series');
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin');
            $table->unique(['kind', 'number']);
        });
        Schema::create('series_heads', function (Blueprint $table): void {
            $table->string('kind', 20)->primary();
            $table->unsignedBigInteger('number');
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin');
        });

        // What was posted before there were seals gets its own now.
        DB::table('documents')
            ->orderBy('kind')
            ->orderBy('number')
            ->pluck('id')
            ->chunk(500)
            ->each(static fn ($ids) => (new Seal)->now(array_map(intval(...), $ids->values()->all())));

        foreach (['UPDATE', 'DELETE'] as $change) {
            DB::unprepared(
                "CREATE TRIGGER document_digests_no_{$change} BEFORE {$change} ON document_digests FOR EACH ROW "
                    ."SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'Posted is posted: document_digests rows are never "
                    ."changed'",
            );
        }

        foreach (Says::SEALED as $table) {
            DB::unprepared(
                <<<SQL
                CREATE TRIGGER {$table}_of_the_unsealed BEFORE INSERT ON {$table} FOR EACH ROW
                IF EXISTS (SELECT 1 FROM document_digests WHERE document_id = NEW.document_id) THEN
                    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'Posted is posted: this document is sealed';
                END IF
                SQL
                ,
            );
        }
    }
};
