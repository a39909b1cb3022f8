<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Years that were closed, and opened again. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('years', static function (Blueprint $table): void {
            $table->id();
            $table->date('ends_on');
            $table->foreignId('document_id')->unique()->constrained();
            $table->foreignId('reopened_by_id')->nullable()->comment('the document that opens it again')
                ->constrained('documents');
            $table->string('reason')->default('');
            $table->index('ends_on');
        });
    }
};
