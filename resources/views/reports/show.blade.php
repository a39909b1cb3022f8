@use('Elmstone\Reports\Filter')
@extends('layout')
@section('title', $answer->definition->title())
@section('main')
<div class="page">
    @php([$asked, $definition] = [$answer->asked, $answer->definition])
    <div class="page-head"><h1>{{ $definition->title() }}</h1>
        <span class="soft">{{ $asked->period->words() }}{{ $asked->other() === null || ! $definition->compares() ? ''
            : ', beside '.$asked->other()->words() }} · {{ $answer->currency->code }}</span>
        <div class="end"><button type="button" class="link-act" x-data="prints" @click="now">Print</button> ·
            <a class="link-act" href="{{ $table->csvAddress() }}">Save as CSV</a></div></div>
    @include('design.messages')
    <x-period :period="$asked->period" :action="route('reports.show', $definition->key())">
        @if(count($definition->by()) > 1)<div><label for="by">by</label>
            <select class="form-select w-auto" id="by" name="by">@foreach($definition->by() as $name => $words)<option
                value="{{ $name }}" @selected($name === $asked->by)>{{ $words }}</option>@endforeach
            </select></div>@endif
        @if($definition->compares())<div><label for="compare">beside</label>
            <select class="form-select w-auto" id="compare" name="compare"><option value="">nothing</option>
            <option value="before" @selected($asked->compare === 'before')>the time before</option>
            <option value="year" @selected($asked->compare === 'year')>the year before</option></select></div>@endif
        @if($filters !== [])
        @php($narrowed = collect($all)->contains(fn (Filter $one): bool => $request->filled($one->value))
            || $request->filled('hours_from'))
        <details class="narrow" @if($narrowed || $errors->any()) open @endif><summary class="link-act">Narrow</summary>
        <div class="filters mb-0">
            @foreach([[Filter::Location, 'At', $locations, 'name'], [Filter::Till, 'Till', $tills, 'name'],
                [Filter::Department, 'Department', $departments, 'name'], [Filter::Person, 'Person', $people, 'name']]
                as [$filter, $words, $choices, $shows])
            @if(in_array($filter, $filters, true))<div><label for="{{ $filter->value }}">{{ $words }}</label>
                <select class="form-select w-auto" id="{{ $filter->value }}" name="{{ $filter->value }}">
                <option value="">all</option>@foreach($choices as $choice)<option value="{{ $choice->id }}"
                    @selected($request->integer($filter->value) === $choice->id)>{{ $choice->$shows }}</option>
                @endforeach
                </select></div>@endif
            @endforeach
            @foreach([[Filter::Customer, 'Customer no.'], [Filter::Item, 'Item code']] as [$filter, $words])
            @if(in_array($filter, $filters, true))<div><label for="{{ $filter->value }}">{{ $words }}</label><input
                class="form-control w-6 @error($filter->value) is-refused @enderror" id="{{ $filter->value }}"
                name="{{ $filter->value }}" autocomplete="off"
                value="{{ old($filter->value, $request->string($filter->value)) }}">
                @include('design.complaint', ['field' => $filter->value])</div>@endif
            @endforeach
            @if(in_array(Filter::Way, $filters, true))<div><label for="way">Paid by</label>
                <select class="form-select w-auto" id="way" name="way"><option value="">any way</option>
                @foreach($ways as $way)<option value="{{ $way->value }}"
                    @selected($asked->way === $way)>{{ $way->label() }}</option>@endforeach</select></div>@endif
            @if(in_array(Filter::Hours, $filters, true))<div><label for="hours_from">From the hour</label><input
                class="form-control w-auto" type="time" id="hours_from" name="hours_from"
                value="{{ $request->string('hours_from') }}"></div><div><label for="hours_until">to</label><input
                class="form-control w-auto @error('hours_until') is-refused @enderror" type="time" id="hours_until"
                name="hours_until" value="{{ $request->string('hours_until') }}">
                @include('design.complaint', ['field' => 'hours_until'])</div>@endif
        </div></details>@endif
    </x-period>
    @if($bars !== '')<figure class="bars-of">{!! $bars !!}
        @if($answer->before !== null)<figcaption class="small soft">Filled: {{ $asked->period->words() }}. Outline:
            {{ $asked->other()->words() }}.</figcaption>@endif</figure>@endif
    <x-report :report="$table"/>
    <details class="mt-4 no-print" @if($errors->has('name')) open @endif><summary class="link-act">Keep it like
        this</summary>
        <form class="filters mt-2" method="post" action="{{ route('reports.keep', $definition->key()) }}">@csrf
            @foreach([...$asked->period->query(), ...$request->kept()] as $name => $value)<input type="hidden"
                name="{{ $name }}" value="{{ $value }}">@endforeach
            <div><label for="name">under the name</label><input class="form-control" id="name" name="name"
                maxlength="60" value="{{ old('name') }}"></div>
            <div><label for="every">mailed</label><select class="form-select w-auto" id="every" name="every">
                <option value="">not</option><option value="day">every day</option><option value="week">on
                Mondays</option><option value="month">on the first</option></select></div>
            <div><label for="mail_to">to</label><input class="form-control" id="mail_to" name="mail_to" type="email"
                maxlength="160" value="{{ old('mail_to') }}"></div>
            <button class="quiet-act">Keep</button></form></details>
</div>
@endsection
