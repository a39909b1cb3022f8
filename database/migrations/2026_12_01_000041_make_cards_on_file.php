<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Cards that customers leave with the house: the terminal's word for each, never its number. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('cards_on_file', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained();
            $table->string('token', 40)->nullable()->charset('ascii')->comment('the terminal’s; null: removed');
            $table->string('card_type', 12)->charset('ascii');
            $table->char('last_four', 4)->charset('ascii');
            $table->date('expires')->comment('the last day of its month');
            $table->string('name', 60)->default('')->comment('what they call it, or whose it is');
            $table->string('consent', 12)->charset('ascii')->comment('how they agreed: in_person, telephone, paper');
            $table->date('consent_on');
            $table->foreignId('kept_by')->constrained('staff');
            $table->timestamp('kept_at', 3)->useCurrent();
            $table->date('removed_on')->nullable();
            $table->foreignId('removed_by')->nullable()->constrained('staff');
            $table->unique('token');
            $table->index(['customer_id', 'removed_on', 'id']);
        });
        Rows::check('cards_on_file', 'token_is_no_number', "token is null or token not regexp '^[0-9 -]+$'");
        Rows::check('cards_on_file', 'removed_has_no_token', '(token is null) = (removed_on is not null)');

        Schema::table('card_requests', static function (Blueprint $table): void {
            $table->foreignId('on_file_id')->nullable()->constrained('cards_on_file');
            $table->boolean('absent')->default(false)->comment('the card was not there: by telephone, say');
            $table->string('given_postcode', 12)->default('')->comment('what the terminal is to compare');
            $table->string('given_number', 10)->default('');
            $table->boolean('postcode_matches')->nullable()->comment('null: not compared');
            $table->boolean('number_matches')->nullable();
        });

        Schema::create('terminal_tokens', static function (Blueprint $table): void {
            $table->string('token', 40)->charset('ascii')->primary();
            $table->string('card_type', 12);
            $table->char('last_four', 4);
            $table->date('expires');
            $table->string('postcode', 12);
            $table->string('number', 10);
            $table->boolean('forgotten')->default(false);
        });
        Schema::table('terminal_requests', static function (Blueprint $table): void {
            $table->boolean('postcode_matches')->nullable();
            $table->boolean('number_matches')->nullable();
        });
    }
};
