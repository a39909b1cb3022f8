<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Links on papers and in mails to pay by: how the shop wants them, and what came by them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('shop', static function (Blueprint $table): void {
            $table->boolean('links_on')->default(false)->comment('papers and mails carry links to pay by');
            $table->unsignedSmallInteger('link_days')->default(45)->comment('so long they hold');
            $table->boolean('links_may_less')->default(true)->comment('less than what is asked may be paid');
            $table->unsignedInteger('link_epoch')->default(1)->comment('another number, and all links before are void');
        });
        Schema::table('tills', static function (Blueprint $table): void {
            $table->boolean('online')->default(false)->comment('nobody stands there: what is paid by links');
        });

        Schema::create('link_payments', static function (Blueprint $table): void {
            $table->id();
            $table->string('asks', 60)->charset('ascii')->collation('ascii_bin')->comment('what the link says');
            $table->unsignedSmallInteger('ordinal')->comment('the how many-th payment by it');
            $table->char('slip_key', 36)->charset('ascii')->collation('ascii_bin');
            $table->foreignId('customer_id')->constrained();
            $table->string('about', 120)->comment('in words');
            $table->bigInteger('amount')->comment('minor units, as who pays said');
            $table->string('state', 8)->charset('ascii')->comment('open, paid, failed');
            $table->string('reason')->default('')->comment('why it came to nothing');
            $table->foreignId('document_id')->nullable()->constrained();
            $table->timestamp('held_until', 3)->nullable()->comment('somebody is at it until then');
            $table->timestamp('begun_at', 3)->useCurrent();
            $table->timestamp('paid_at', 3)->nullable();
            $table->foreignId('seen_by')->nullable()->constrained('staff');
            $table->unique(['asks', 'ordinal']);
            $table->unique('slip_key');
            $table->index(['state', 'seen_by', 'id']);
        });
        Rows::check('link_payments', 'link_state', "state in ('open', 'paid', 'failed') and "
            ."(state = 'paid') = (document_id is not null)");
    }
};
