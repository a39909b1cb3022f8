<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A document that was reckoned again and proved, as its seal said then. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('proved_documents', function (Blueprint $table): void {
            $table->foreignId('document_id')->primary()->constrained();
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin');
        });
    }
};
