<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What the framework keeps: sessions and the cache, so that more than one machine can serve. */
return new class extends Migration
{
    public function up(): void
    {
        // Before the first release tables were made in many steps. What those made cannot be made again in one.
        Schema::hasTable('documents') && throw new RuntimeException(
            'This database is of a version before the first release. ./elmstone reset throws it away, then '
                .'./elmstone up begins anew.',
        );

        Schema::create('sessions', static function (Blueprint $table): void {
            $table->string('id');
            $table->unsignedBigInteger('user_id')->nullable();
            $table->string('ip_address', 45)->nullable();
            $table->text('user_agent')->nullable();
            $table->longText('payload');
            $table->integer('last_activity');
            $table->primary('id');
            $table->index('last_activity');
            $table->index('user_id');
        });

        Schema::create('cache', static function (Blueprint $table): void {
            $table->string('key');
            $table->mediumText('value');
            $table->integer('expiration');
            $table->index('expiration');
            $table->primary('key');
        });

        Schema::create('cache_locks', static function (Blueprint $table): void {
            $table->string('key');
            $table->string('owner');
            $table->integer('expiration');
            $table->index('expiration');
            $table->primary('key');
        });
    }
};
