<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Questions to card terminals. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('card_requests', static function (Blueprint $table): void {
            $table->id();
            $table->char('key', 36)->charset('ascii')->collation('ascii_bin');
            $table->string('subject', 20)->default('slip')->comment('what it is for: slip, layaway, deposit, credit');
            $table->unsignedBigInteger('subject_id');
            $table->unsignedInteger('ordinal');
            $table->foreignId('till_id')->constrained(indexName: 'card_payments_till_id_foreign');
            $table->foreignId('staff_id')->nullable()->constrained('staff');
            $table->bigInteger('asked');
            $table->bigInteger('approved')->default(0);
            $table->string('state', 12)->default('asked');
            $table->string('reason')->default('');
            $table->string('card_type', 20)->default('');
            $table->char('last_four', 4)->default('');
            $table->string('authorisation', 20)->default('');
            $table->timestamps(3);
            $table->string('against', 20)->default('')->comment('money back: the authorisation it was taken by');
            $table->foreignId('document_id')->nullable()->constrained();
            $table->unique('key', 'card_payments_key_unique');
            $table->index(['against', 'state']);
            $table->index('authorisation');
            $table->unique(['subject', 'subject_id', 'ordinal'], 'one_question_at_a_time');
        });
    }
};
