@use('Elmstone\Setup\Taxes\Examples')
@extends('setup.frame')
@section('title', $section->title())
@section('step')
<h1>{{ $section->title() }}</h1>
<p class="soft">{{ $section->purpose() }}</p>
@if($here === 'taxes')<p>Start from: @foreach($examples as $key => $words)<a class="me-3"
    href="{{ route('setup.step', ['step' => 'taxes', 'example' => $key]) }}">{{ $words }}</a>@endforeach</p>
    @isset(Examples::SOURCES[request()->query('example')])<p class="note">{{
        Examples::SOURCES[request()->query('example')] }}</p>@endisset
@endif
@include('design.messages')
<form method="post" action="{{ route('setup.keep', $section->key()) }}" autocomplete="off" class="sheet-form">@csrf
    @include($section->view())
    <button class="main-act go mt-3">Keep and go on</button>
</form>
@endsection
