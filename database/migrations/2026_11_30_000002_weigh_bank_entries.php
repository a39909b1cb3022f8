<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Every entry of a bank's file is kept, with what speaks for and against whom it is from. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('bank_entries', function (Blueprint $table): void {
            $table->string('kind', 10)->default('in')->after('fingerprint');
            $table->date('booked_on')->nullable()->comment('empty where it could not be read')->change();
            $table->string('payer_account', 40)->default('')->after('payer');
            $table->string('bank_reference', 80)->default('')->after('reference');
            $table->string('end_to_end', 40)->default('');
            $table->bigInteger('discount')->default(0)->comment('settlement discount promised with the shares');
            $table->json('evidence')->nullable()->comment('what speaks for and against');
            $table->boolean('sure')->default(false)->comment('ticked beforehand');
            $table->string('trouble')->default('');
            $table->string('aside_because')->default('');
            $table->index(['payer_account', 'state']);
            $table->index(['booked_on', 'amount']);
        });
        DB::statement(
            "UPDATE bank_entries SET evidence = JSON_OBJECT('for', JSON_ARRAY(why), 'against', JSON_ARRAY()) WHERE "
                ."why <> ''",
        );
        Schema::table('bank_entries', static fn (Blueprint $table) => $table->dropColumn('why'));
        DB::statement("ALTER TABLE bank_files ADD content MEDIUMBLOB NULL COMMENT 'while it waits for its columns'");

        Schema::create('bank_layouts', function (Blueprint $table): void {
            $table->id();
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin')->unique();
            $table->string('name');
            $table->json('columns');
            $table->foreignId('staff_id')->constrained('staff');
            $table->timestamps(3);
        });
    }
};
