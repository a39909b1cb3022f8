@extends('layout')
@section('title', 'Settings')
@section('main')
<div class="page">
    <div class="page-head"><h1>Settings</h1>
        @can('set-house')<div class="end"><a href="{{ route('settings.changes') }}">Every change</a></div>@endcan</div>
    <div class="settings-index">
    @can('set-house')<section><h2>The house</h2>
        <dl>@foreach($pages as $key => $page)<div><dt><a
            href="{{ route('settings.section', $key) }}">{{ $page->title() }}</a></dt>
            <dd>{{ $page->purpose() }}</dd></div>@endforeach</dl></section>@endcan
    <section><h2>Terms of its matters</h2>
        <dl>@foreach($elsewhere as [$leads, $ability, $words, $what])@can($ability)<div><dt><a
            href="{{ route($leads) }}">{{ $words }}</a></dt><dd>{{ $what }}</dd></div>@endcan @endforeach</dl></section>
    </div>
</div>
@endsection
