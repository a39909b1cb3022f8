<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Sessions of drawers, from the float to the close, and what was counted in them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('till_sessions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('till_id')->constrained();
            $table->foreignId('location_id')->constrained();
            $table->unsignedInteger('number')->comment('of the till’s own, without gaps');
            $table->string('state', 10);
            $table->boolean('unclosed')->nullable()->comment('one at a till at most; null: closed');
            $table->foreignId('opened_by')->constrained('staff');
            $table->dateTime('opened_at', 3);
            $table->date('opened_on');
            $table->foreignId('holder_id')->nullable()->constrained('staff')->comment('null: whoever is at the till');
            $table->bigInteger('carried')->comment('minor units, what the close before left in');
            $table->bigInteger('float_amount')->comment('minor units, what was in it when it was opened');
            $table->char('open_key', 36)->charset('ascii')->collation('ascii_bin');
            $table->foreignId('closed_by')->nullable()->constrained('staff');
            $table->dateTime('closed_at', 3)->nullable();
            $table->date('closed_on')->nullable();
            $table->bigInteger('left_in')->nullable()->comment('minor units, the next float');
            $table->bigInteger('to_safe')->nullable()->comment('minor units');
            $table->string('note', 500)->default('');
            $table->foreignId('witness_id')->nullable()->constrained('staff')->comment('signs a large difference too');
            $table->char('close_key', 36)->charset('ascii')->collation('ascii_bin')->nullable();
            $table->unique(['till_id', 'number']);
            $table->unique(['till_id', 'unclosed']);
            $table->unique(['holder_id', 'unclosed']);
            $table->unique('open_key');
            $table->unique('close_key');
            $table->index(['location_id', 'closed_on']);
        });
        Rows::check('till_sessions', 'session_state', "state in ('open','counted','closed') and (state = 'closed') = "
            .'(unclosed is null) and (state = \'closed\') = (closed_at is not null) and float_amount >= 0');
        Rows::refuse(
            'till_sessions',
            'UPDATE',
            'closed_stays',
            "OLD.state = 'closed'",
            'A closed session never changes',
        );
        Rows::refuse('till_sessions', 'DELETE', 'no_delete', null, 'A session is never deleted');

        Schema::create('till_counts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('session_id')->constrained('till_sessions');
            $table->unsignedSmallInteger('number');
            $table->foreignId('counted_by')->constrained('staff');
            $table->dateTime('counted_at', 3);
            $table->boolean('cards_reported')->comment('by the terminal itself; else typed');
            $table->bigInteger('other_cheques')->default(0)->comment('minor units, on no list');
            $table->unique(['session_id', 'number']);
        });
        Rows::keep('till_counts');

        Schema::create('till_count_ways', static function (Blueprint $table): void {
            $table->foreignId('count_id')->constrained('till_counts');
            $table->string('way', 20);
            $table->bigInteger('expected')->comment('minor units, when it was counted');
            $table->bigInteger('counted')->comment('minor units');
            $table->primary(['count_id', 'way']);
        });
        Rows::keep('till_count_ways');

        Schema::create('till_count_units', static function (Blueprint $table): void {
            $table->foreignId('count_id')->constrained('till_counts');
            $table->bigInteger('unit')->comment('minor units: a note or coin');
            $table->unsignedInteger('pieces');
            $table->primary(['count_id', 'unit']);
        });
        Rows::keep('till_count_units');

        Schema::create('till_count_cheques', static function (Blueprint $table): void {
            $table->foreignId('count_id')->constrained('till_counts');
            $table->foreignId('document_id')->constrained();
            $table->unsignedSmallInteger('position')->comment('of the tender');
            $table->primary(['count_id', 'document_id', 'position']);
        });
        Rows::keep('till_count_cheques');

        Schema::create('till_hand_overs', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('session_id')->constrained('till_sessions');
            $table->foreignId('count_id')->nullable()->constrained('till_counts')->comment('null: without a count');
            $table->foreignId('from_id')->constrained('staff');
            $table->foreignId('to_id')->constrained('staff');
            $table->foreignId('said_by')->constrained('staff');
            $table->dateTime('at', 3);
        });
        Rows::keep('till_hand_overs');

        Schema::create('petty_receipts', static function (Blueprint $table): void {
            $table->foreignId('document_id')->primary()->constrained();
            $table->string('type', 20)->comment('image/png, image/jpeg');
            $table->mediumText('picture')->charset('ascii')->comment('base64');
        });
        Rows::keep('petty_receipts');

        Schema::table(
            'documents',
            static fn (Blueprint $table) => $table->foreign('session_id')->references('id')->on('till_sessions'),
        );
    }
};
