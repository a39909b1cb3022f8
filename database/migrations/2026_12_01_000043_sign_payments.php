<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Who pays much by card or on account signs for it: on a slip until it is posted, with its document from then on. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('shop', static function (Blueprint $table): void {
            $table->bigInteger('sign_over')->nullable()->comment('minor units; null: nobody signs');
            $table->boolean('print_signatures')->default(true);
        });

        Schema::create('slip_signatures', static function (Blueprint $table): void {
            $table->foreignId('slip_id')->primary()->constrained()->cascadeOnDelete();
            $table->bigInteger('amount')->comment('minor units, what was signed for');
            $table->mediumText('signature')->nullable()->comment('strokes of the pen, as a path; null: on the paper');
            $table->string('signed_by', 120)->default('');
            $table->timestamp('signed_at', 3)->useCurrent()->useCurrentOnUpdate();
        });

        Schema::create('payment_signatures', static function (Blueprint $table): void {
            $table->foreignId('document_id')->primary()->constrained();
            $table->bigInteger('amount')->comment('minor units, what was signed for');
            $table->mediumText('signature')->nullable()->comment('strokes of the pen, as a path; null: on the paper');
            $table->string('signed_by', 120)->default('');
            $table->timestamp('signed_at', 3);
        });
        Rows::keep('payment_signatures');
    }
};
