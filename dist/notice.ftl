# Third-party notices

What Zentrel ships, with its licences. This list is collected by the build (dist/pom.xml); a library with a licence that is not
named there fails it.

- IBM Plex Sans and Mono: SIL Open Font License 1.1 (app/src/main/resources/zentrel/app/fonts)
<#list dependencyMap as e>
<#assign project = e.getKey()/>
- ${project.groupId}:${project.artifactId} ${project.version}: ${e.getValue()?join(", ")}
</#list>

For compiling only, and not shipped: Record Builder (Apache-2.0).
