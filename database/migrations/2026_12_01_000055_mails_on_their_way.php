<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Since when something is being mailed: what has not come back long after that, nobody knows of whether it went. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['statements', 'letters'] as $name) {
            Schema::table($name, static function (Blueprint $table): void {
                $table->dateTime('mailing_at', 3)->nullable()->comment('when it was handed to the mail server');
            });
        }
    }
};
