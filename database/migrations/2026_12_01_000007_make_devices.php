<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What the simulated devices were asked and did. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('terminal_requests', static function (Blueprint $table): void {
            $table->id();
            $table->char('key', 36)->charset('ascii')->collation('ascii_bin');
            $table->foreignId('till_id')->constrained();
            $table->string('act', 10)->default('take');
            $table->string('against', 20)->default('')->comment('of a refund: the payment it goes back to');
            $table->bigInteger('amount');
            $table->bigInteger('approved')->default(0);
            $table->string('outcome', 12);
            $table->string('reason')->default('');
            $table->string('card_type', 20)->default('');
            $table->char('last_four', 4)->default('');
            $table->string('authorisation', 20)->default('');
            $table->dateTime('asked_at', 3)->useCurrent();
            $table->index(['till_id', 'asked_at']);
            $table->index('authorisation');
            $table->unique('key');
        });

        Schema::create('simulated_devices', static function (Blueprint $table): void {
            $table->foreignId('till_id')->constrained();
            $table->string('device', 20);
            $table->json('state');
            $table->primary(['till_id', 'device']);
        });

        Schema::create('printed_papers', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('till_id')->constrained();
            $table->string('title');
            $table->mediumText('html');
            $table->timestamp('printed_at', 3)->useCurrent();
        });

        Schema::create('sent_mails', static function (Blueprint $table): void {
            $table->id();
            $table->string('recipient');
            $table->string('subject');
            $table->text('body');
            $table->string('attachment_name')->default('');
            $table->rawColumn('attachment', 'MEDIUMBLOB')->nullable();
            $table->timestamp('sent_at', 3)->useCurrent();
        });
    }
};
