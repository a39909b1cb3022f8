<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table(
            'slips',
            static fn (Blueprint $table) => $table
                ->boolean('leaves_discount')
                ->default(false)
                ->after('on_account')
                ->comment('who pays towards the account pays in full: no settlement discount'),
        );
    }
};
