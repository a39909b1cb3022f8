@extends('layout')
@section('title', 'Counter')
@section('main')
<h1 class="visually-hidden">Counter</h1>
<x-reasons of="approval"/>
<div class="counter" x-data="counter" data-by="{{ $staff->id }}" @keydown.document="key" @click="press"
    @change="change" @submit="submit" @focusin="select" @redrawn.document="next">
    @include('counter.parts.tabs')
    <div class="who-band">
        @include('counter.parts.who')
        @include('counter.parts.just-sold')
    </div>
    <section class="what-band" aria-label="What" x-data="lines" @keydown="key">
        <div class="entry" x-data="entry">
            <div class="entry-line">
                <input id="entry" type="text" role="combobox" aria-label="Scan, code, name, customer or number"
                    aria-expanded="false" :aria-expanded="open" aria-controls="found-list" aria-autocomplete="list"
                        autocomplete="off" autocapitalize="off" spellcheck="false" placeholder=" "
                       data-find="{{ route('counter.find', $target) }}"
                           data-customer="{{ route('counter.customer', $target) }}"
                               data-add="{{ route('counter.add', $target) }}"
                       @input="typed" @keydown="key" @scanned.window="scanned" @blur.debounce.200ms="close">
                <span class="hint" aria-hidden="true">scan, code, name, customer or number</span>
            </div>
            <div id="found" class="found" x-show="open" x-cloak @mousedown.prevent
                @click="pick"></div>
        </div>
        @include('counter.parts.open-till')
        @include('counter.parts.one-off')
        @include('counter.parts.new-customer')
        @include('counter.parts.gift-card')
        @include('counter.parts.bring-back')
        <div id="own-terms" class="mt-2 p-2 border rounded" @panel hidden>
            <div data-find="{{ route('counter.look.terms', $target) }}" x-data="fetched" @flip-panel.window="flip">
            </div>@include('counter.parts.own-terms-said')
        </div>
        <div id="bought" class="look" data-find="{{ route('counter.look.customer', $target) }}" x-data="bought"
            @flip-panel.window="flip" @keydown.escape="close" hidden></div>
        <div id="look" class="look" data-find="{{ route('counter.look', $target) }}" role="region"
            aria-label="A quick look" tabindex="0" x-data="look" @look.window="open" @look-away.window="close"
                hidden></div>
        @include('counter.parts.said')
        @include('counter.parts.layaways')
        @include('counter.parts.orders')
        @include('counter.parts.returns')
        @include('counter.parts.unknown')
        @include('counter.parts.lines')
        @include('counter.parts.hold')
        @include('counter.parts.order')
        @include('counter.parts.quote')
        @include('counter.parts.strip')
        @include('counter.parts.sums')
    </section>
    @include('counter.parts.settle')
    <output class="off-says" data-places="{{ $house->currency()->places }}" x-data="off" @input.document="say"
        @focusin.document="hide" @redrawn.document="hide" hidden></output>
</div>
@endsection
